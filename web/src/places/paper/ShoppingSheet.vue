<script setup lang="ts">
// What is to be got: seed, planting stock and young plants by the day they are needed, then what the
// ground is given.
import { computed } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { usePaper } from '../../lib/paper'
import { useUnits } from '../../lib/units'
import { count, dated } from '../../lib/words'
import PaperChoice from '../../parts/PaperChoice.vue'
import './paper.css'

const store = useHousehold()
const { say } = useUnits()
const paper = usePaper(() => 'portrait', '12mm')
const today = computed(() => store.plan?.as_of)
const { data: list } = useAnswer(
  'shopping',
  () => !!store.household || undefined,
  (_, signal) => api.GET('/shopping', { signal }),
)
const { data: needs } = useAnswer(
  'ground-needs',
  () => !!store.household?.beds.length || undefined,
  (_, signal) => api.GET('/ground-needs', { signal }),
)
const seed = computed(() => (list.value ?? []).filter((b) => b.seeds || b.gram))
const stock = computed(() => (list.value ?? []).filter((b) => b.pieces))
const plants = computed(() => (list.value ?? []).filter((b) => b.plants))
const cells = computed(() =>
  (store.plan?.sowings ?? []).reduce((n, s) => n + (s.begun || s.over ? 0 : (s.cells ?? 0)), 0),
)
/** What the ground wants that is to be got. */
const ground = computed(() => {
  const n = needs.value
  if (!n) return []
  return [
    ...n.orders
      .filter((o) => o.cubic > 0)
      .map((o) => ({
        what: o.name,
        much: say(o.cubic, 'm³'),
        more: `${count(o.units, 'delivery', 'deliveries')} of ${say(o.unit, 'm³')}, or ${count(o.bags, 'bag')} of ${say(o.bag, 'L')}`,
      })),
    ...n.dose
      .filter((d) => d.kg > 0)
      .map((d) => ({ what: d.name, much: say(d.kg, 'kg'), more: 'for the beds, in the year' })),
    ...[
      { what: 'Drip line', n: n.drip, much: say(n.drip, 'm'), more: count(n.emitters, 'emitter') },
      { what: 'Trellis', n: n.trellis, much: say(n.trellis, 'm'), more: count(n.posts, 'post') },
      { what: 'Stakes', n: n.stakes, much: fixed(n.stakes, 0), more: '' },
      { what: 'Cages', n: n.cages, much: fixed(n.cages, 0), more: '' },
    ].filter((x) => x.n > 0),
  ]
})
</script>

<template>
  <section class="sheets paper">
    <div class="bar no-print">
      <h2 tabindex="-1">Seed and shopping list</h2>
      <RouterLink to="/paper">All sheets</RouterLink>
      <PaperChoice v-model="paper" words="print" />
    </div>
    <p class="quiet no-print">
      For all sowings that are not yet made. Cross off what you have; the sums take nothing off for old packets.
    </p>
    <article v-if="seed.length">
      <h3>
        Seed <span>{{ count(seed.length, 'variety', 'varieties') }} · {{ count(cells, 'cell') }} to sow indoors</span>
      </h3>
      <table>
        <thead>
          <tr>
            <th><span class="hidden-words">have it</span></th>
            <th>variety</th>
            <th class="n">seeds</th>
            <th class="n">weight</th>
            <th class="n">sowings</th>
            <th>needed by</th>
            <th class="write">have, from where</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in seed" :key="b.crop">
            <td><span class="box" aria-hidden="true"></span></td>
            <td class="crop">{{ b.name }}</td>
            <td class="n">{{ b.seeds ? fixed(b.seeds, 0) : '' }}</td>
            <td class="n">{{ (b.gram ?? 0) >= 0.05 ? say(b.gram ?? 0, 'g') : b.gram ? 'a pinch' : '' }}</td>
            <td class="n">{{ b.sowings }}</td>
            <td class="date">{{ dated(b.by, today) }}</td>
            <td class="write"></td>
          </tr>
        </tbody>
      </table>
    </article>
    <article v-if="stock.length + plants.length">
      <h3>Sets, tubers and young plants</h3>
      <table>
        <tbody>
          <tr v-for="b in stock" :key="b.crop">
            <td><span class="box" aria-hidden="true"></span></td>
            <td class="crop">{{ b.name }}</td>
            <td class="n">{{ fixed(b.pieces ?? 0, 0) }} {{ b.stock || 'plants' }}</td>
            <td class="n">{{ b.kg ? say(b.kg, 'kg') : '' }}</td>
            <td class="date">{{ dated(b.by, today) }}</td>
            <td class="write"></td>
          </tr>
          <tr v-for="b in plants" :key="b.crop + ' plants'">
            <td><span class="box" aria-hidden="true"></span></td>
            <td class="crop">{{ b.name }}</td>
            <td class="n">{{ count(b.plants ?? 0, 'young plant') }}</td>
            <td></td>
            <td class="date">{{ dated(b.by, today) }}</td>
            <td class="write"></td>
          </tr>
        </tbody>
      </table>
    </article>
    <article v-if="ground.length">
      <h3>For the beds</h3>
      <table>
        <tbody>
          <tr v-for="g in ground" :key="g.what">
            <td><span class="box" aria-hidden="true"></span></td>
            <td class="crop">{{ g.what }}</td>
            <td class="n">{{ g.much }}</td>
            <td>{{ g.more }}</td>
            <td class="write"></td>
          </tr>
        </tbody>
      </table>
    </article>
    <p v-if="list && !list.length" class="quiet">
      Nothing to get: every sowing of the plan is made, or there is none yet.
    </p>
  </section>
</template>

<style scoped>
td:first-child {
  width: 1.8rem;
}
td.write,
th.write {
  width: 26%;
  padding-left: var(--space-3);
}
</style>
