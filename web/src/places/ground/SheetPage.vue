<script setup lang="ts">
// Beds on paper: the plot on one page, and a card for each bed with all that stands
// in it through the year.
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { stoodIn, useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { usePaper } from '../../lib/paper'
import { usePlots } from '../../lib/plots'
import { useUnits } from '../../lib/units'
import { count, day as short, fullDay, familyName } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import PaperChoice from '../../parts/PaperChoice.vue'
import PlotMap from './PlotMap.vue'

const store = useHousehold()
const ground = useGround()
const route = useRoute()
const { say } = useUnits()
const what = ref('plot') // or cards

const paper = usePaper(() => (what.value === 'plot' ? 'landscape' : 'portrait'), '12mm')
const day = computed(() => String(route.query.day || store.plan?.as_of || ''))
const beds = computed(() => store.household?.beds ?? [])
const { laid } = usePlots()
const pieces = computed(() => ground.layout?.pieces ?? [])
const sowings = computed(() => new Map((store.plan?.sowings ?? []).map((s) => [s.id, s])))
const cards = computed(() =>
  beds.value.map((b) => ({
    b,
    pieces: pieces.value
      .filter((p) => p.bed === b.id)
      .sort((x, y) => x.from.localeCompare(y.from) || x.at - y.at)
      .map((p) => ({ p, s: sowings.value.get(p.planting) })),
  })),
)
/** What stands in each bed on the day: small pieces have no room for their name in the drawing. */
const today = computed(() =>
  cards.value.map((c) => ({
    b: c.b,
    words:
      c.pieces
        .filter((r) => r.p.from <= day.value && day.value < r.p.to)
        .sort((x, y) => x.p.at - y.p.at)
        .map((r) => `${say(r.p.at, 'm')} ${r.s?.crop_name.toLowerCase()}`)
        .join(' · ') || 'free',
  })),
)
const stood = (b: (typeof beds.value)[number]) =>
  stoodIn(b)
    .slice(-3)
    .map((s) => `${s.year} ${s.families.map((f) => familyName(store.crops, f)).join(', ')}`)
    .join('; ')
</script>

<template>
  <section class="sheets">
    <div class="bar no-print">
      <h2 tabindex="-1">Beds on paper</h2>
      <RouterLink to="/ground">Back to Ground</RouterLink>
      <ChoiceButtons
        v-model="what"
        label="What is printed"
        :options="[
          { value: 'plot', words: 'the plot' },
          { value: 'cards', words: 'a card for each bed' },
        ]"
      />
      <PaperChoice v-model="paper" words="print" />
    </div>
    <article v-if="what === 'plot' && day" class="sheet plot-sheet">
      <h3>
        {{ store.household?.name }}, the ground on {{ fullDay(day) }}
        <span>{{ count(beds.length, 'bed') }}, {{ say(ground.layout?.owned ?? 0, 'm²') }}</span>
      </h3>
      <PlotMap v-for="p in laid" :key="p.id" :beds="p.beds" :pieces="pieces" :day="day" chosen="" still />
      <ul class="stand">
        <li v-for="c in today" :key="c.b.id">
          <b>{{ c.b.name }}</b> {{ c.words }}
        </li>
      </ul>
    </article>
    <template v-else>
      <article v-for="c in cards" :key="c.b.id" class="sheet bed-card" :data-sheet="c.b.id">
        <h3>
          {{ c.b.name }}
          <span
            >{{ say(c.b.length, 'm') }} × {{ say(c.b.width, 'm')
            }}{{ stood(c.b) ? ` · grew before: ${stood(c.b)}` : '' }}</span
          >
        </h3>
        <table>
          <thead>
            <tr>
              <th>from</th>
              <th>until</th>
              <th>what</th>
              <th class="n">plants</th>
              <th class="n">from, long</th>
              <th>rows</th>
              <th class="blank">done</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in c.b.stands ?? []" :key="s.name + s.at">
              <td></td>
              <td>{{ short(s.until) }}</td>
              <td>{{ s.name }}, growing now</td>
              <td class="n"></td>
              <td class="n">{{ say(s.at, 'm') }}, {{ say(s.length, 'm') }}</td>
              <td></td>
              <td class="blank"></td>
            </tr>
            <tr v-for="r in c.pieces" :key="r.p.planting + r.p.at">
              <td>{{ short(r.p.from) }}</td>
              <td>{{ short(r.p.to) }}</td>
              <td class="crop">{{ r.s?.crop_name }}</td>
              <td class="n">{{ r.p.planted }}</td>
              <td class="n">{{ say(r.p.at, 'm') }}, {{ say(r.p.length, 'm') }}</td>
              <td>
                {{ r.p.across ? 'across, ' : `${r.p.lines} × ` }}{{ say(r.p.line * 100, 'cm') }},
                {{ say(r.p.plant * 100, 'cm') }} in the row
              </td>
              <td class="blank"></td>
            </tr>
          </tbody>
        </table>
      </article>
    </template>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: baseline;
  margin-bottom: var(--space-5);
}
.sheet {
  max-width: 64rem;
  margin-bottom: var(--space-6);
}
.stand {
  list-style: none;
  margin: var(--space-4) 0 0;
  padding: 0;
  columns: 18rem;
  column-gap: var(--space-7);
  font-size: var(--type-small);
}
.stand li {
  break-inside: avoid;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.stand b {
  font-family: var(--serif);
}
h3 {
  display: flex;
  justify-content: space-between;
  gap: var(--space-6);
  align-items: baseline;
  font-size: var(--type-large);
  border-bottom: 1px solid var(--ink-2);
}
h3 span {
  font-family: var(--sans);
  font-weight: 400;
  font-size: var(--type-small);
  color: var(--ink-2);
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--type-text);
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink-2);
}
td,
th {
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) var(--space-5) var(--space-1) 0;
}
.n {
  text-align: right;
}
.crop {
  font-family: var(--serif);
  font-weight: 600;
}
.blank {
  border-left: 1px solid var(--hair-2);
  min-width: 4rem;
  padding-left: var(--space-4);
}
@media print {
  .sheet {
    max-width: none;
    margin: 0 0 6mm;
  }
  /* One page of either paper: the drawing takes what the list leaves. */
  .plot-sheet {
    height: 182mm;
    margin: 0;
    display: flex;
    flex-direction: column;
    break-after: avoid;
  }
  .plot-sheet :deep(.plot) {
    flex: 1 1 0;
    min-height: 0;
    max-height: none;
  }
  .stand {
    font-size: 7.5pt;
  }
  .bed-card {
    break-inside: avoid;
  }
}
</style>
