<script setup lang="ts">
// What is free in a bed on a day, until when, and what crops still fit and would
// feed.
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api, type FreePatch, type GreenGoes, type Piece } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count, day as short, fullDay } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import BedLoss from './BedLoss.vue'

const props = defineProps<{ bed: string; day: string; pieces: Piece[] }>()
const emit = defineEmits<{ close: [] }>()
const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
// While the day is being scrubbed it is not asked anew for every step.
const settled = refDebounced(
  computed(() => props.day),
  150,
)
const { data: free, wrong: missing } = useAnswer(
  'ground-free',
  () => ({ bed: props.bed, day: settled.value }),
  (query, signal) => api.GET('/ground-free', { params: { query }, signal }),
  (was, now) => was.bed === now.bed,
)
const refused = ref('')
const wrong = computed(() => refused.value || missing.value)
const all = ref<number>()
const allGreen = ref<number>()
const metres = ref<number>() // of a green manure; none: the whole stretch
watch(
  () => props.bed,
  () => (all.value = undefined),
)
const mine = computed(() => store.household?.beds.find((b) => b.id === props.bed))

/** Sows a green manure in a stretch; it then keeps its ground. */
async function sowGreen(f: FreePatch, g: GreenGoes) {
  if (!mine.value) return
  const whole = f.to - f.from
  const length = Number.isNaN(metres.value) || !metres.value ? whole : Math.min(metres.value, whole)
  const p = await store.edit({
    command: 'change-bed',
    bed: {
      ...mine.value,
      green: [
        ...(mine.value.green ?? []),
        {
          crop: g.crop,
          name: g.name,
          family: g.family,
          at: f.from,
          length,
          sown: g.sow,
          until: g.until,
          ready: g.ready,
          ...(f.under ? { under: true } : {}),
        },
      ],
    },
  })
  refused.value = wordsOf(p)
}
/** The seed for the stretch, or for as many metres of it as are to be sown. */
function seedOf(f: FreePatch, g: GreenGoes): number {
  const whole = f.to - f.from
  return !metres.value || Number.isNaN(metres.value) ? g.seed : (g.seed * Math.min(metres.value, whole)) / whole
}
async function dropGreen(i: number) {
  if (!mine.value) return
  const p = await store.edit({
    command: 'change-bed',
    bed: { ...mine.value, green: (mine.value.green ?? []).filter((_, k) => k !== i) },
  })
  refused.value = wordsOf(p)
}

/** What stands there on the day and is cleared first. */
const first = computed(
  () =>
    props.pieces
      .filter((p) => p.bed === props.bed && p.from <= props.day && props.day < p.to)
      .sort((a, b) => a.to.localeCompare(b.to))[0],
)
</script>

<template>
  <div class="free-ground">
    <h3>
      {{ ground.bedName(bed) }}, free on {{ short(day < (store.plan?.as_of ?? '') ? store.plan?.as_of : day) }}
      <button type="button" class="link small" @click="emit('close')">Close</button>
    </h3>
    <BedLoss :key="bed" :bed="bed" :pieces="pieces" />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-else-if="!free" class="quiet small">Looking …</p>
    <p v-else-if="!free.length" class="quiet small">
      Nothing is free on this day.<template v-if="first">
        Next free: {{ ground.names.get(first.planting)?.toLowerCase() }}, on {{ short(first.to) }}.</template
      >
    </p>
    <div v-for="(f, i) in free" :key="f.from" class="patch small">
      <p>
        <b>{{ say(f.to - f.from, 'm') }}</b>
        {{ f.under ? `under the ${ground.names.get(f.under)?.toLowerCase() ?? 'crop'}, ` : '' }}from
        {{ say(f.from, 'm') }} on{{
          f.until ? `, until ${ground.names.get(f.next ?? '') ?? 'something else'} on ${short(f.until)}` : ''
        }}
      </p>
      <table v-if="f.goes.length">
        <thead>
          <tr>
            <th>crops that still fit</th>
            <th>start</th>
            <th>pick</th>
            <th class="n">harvest if filled</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in all === i ? f.goes : f.goes.slice(0, 6)" :key="g.crop">
            <td>
              {{ g.name }}
              <span class="quiet">{{
                g.gaps ? `feeds ${count(g.gaps, 'week')} that ${g.of} is short of` : g.of ? 'no gap to fill' : ''
              }}</span>
              <span v-if="g.bend" class="warn">family here in {{ g.bend }}</span>
            </td>
            <td>{{ short(g.sow) }}</td>
            <td>{{ short(g.first) }} – {{ short(g.last) }}</td>
            <td class="n">{{ say(g.gives, g.unit) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="!f.under && !f.green.length" class="quiet">No crop would be ready in time.</p>
      <button v-if="f.goes.length > 6" type="button" class="link" @click="all = all === i ? undefined : i">
        {{ all === i ? 'fewer' : `all ${f.goes.length}` }}
      </button>
      <div v-if="f.green.length" class="green">
        <p class="quiet">
          green manures that fit, on
          <NumberInput v-model="metres" class="metres" unit="m" suffix blank placeholder="all" label="Metres to sow" />
        </p>
        <div
          v-for="g in allGreen === i ? f.green : f.green.slice(0, 3)"
          :key="g.crop"
          :data-green="g.crop"
          class="sort"
        >
          <span>{{ g.name }}</span>
          <button type="button" class="link" :aria-label="'Sow ' + g.name" @click="sowGreen(f, g)">Sow</button>
          <span class="quiet"
            >{{ short(g.sow) }} to {{ fullDay(g.until) }}{{ g.dies ? ', when frost kills it' : '' }};
            {{ say(seedOf(f, g), 'g') }} of seed{{
              g.nitrogen ? `, fixes about ${g.nitrogen} g of nitrogen a m²` : ''
            }}</span
          >
          <span v-if="g.kin" class="warn">{{ g.kin }}</span>
          <span class="quiet">{{ g.note }}</span>
        </div>
        <button v-if="f.green.length > 3" type="button" class="link" @click="allGreen = allGreen === i ? undefined : i">
          {{ allGreen === i ? 'fewer' : `all ${f.green.length}` }}
        </button>
      </div>
    </div>
    <ul v-if="mine?.green?.length" class="small sown" aria-label="Green manure in this bed">
      <li v-for="(g, i) in mine.green" :key="i">
        {{ g.name }}{{ g.under ? ', under what is growing there' : '' }}: {{ short(g.sown) }} to {{ short(g.until) }},
        the next crop from {{ short(g.ready) }}
        <button type="button" class="link" :aria-label="'Remove ' + g.name" @click="dropGreen(i)">Remove</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
h3 {
  display: flex;
  gap: var(--space-5);
  align-items: baseline;
  justify-content: space-between;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink-2);
  border-bottom: 1px solid var(--hair-2);
}
td {
  border-bottom: 1px solid var(--hair);
  vertical-align: top;
  padding: var(--space-1) var(--space-4) var(--space-1) 0;
}
td span {
  display: block;
  font-size: 0.9em;
}
.n {
  text-align: right;
  white-space: nowrap;
  padding-right: 0;
}
.green {
  margin-top: var(--space-4);
}
.green > p {
  margin: 0;
  border-bottom: 1px solid var(--hair-2);
}
.metres {
  display: inline-block;
  width: 6rem;
}
.sort {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 var(--space-4);
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.sort > :nth-child(n + 3) {
  grid-column: 1 / -1;
  font-size: 0.9em;
}
.sown {
  margin: 0;
  padding-left: var(--space-6);
}
.patch {
  margin-bottom: var(--space-4);
}
</style>
