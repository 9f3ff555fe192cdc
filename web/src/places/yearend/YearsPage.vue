<script setup lang="ts">
// The years side by side: their sums, and each crop and each bed through them.
import { computed, ref } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count, day } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import TwoBars from '../../parts/TwoBars.vue'

const store = useHousehold()
const { say, shown } = useUnits()
const { data, wrong } = useAnswer(
  'years',
  () => !!store.household || undefined,
  (_, signal) => api.GET('/years', { signal }),
)
const of = ref<'crops' | 'beds'>('crops')
const find = ref('')
const years = computed(() => data.value?.years ?? [])
const round = (kg: number) => say(kg < 10 ? Math.round(10 * kg) / 10 : Math.round(kg), 'kg')
type OneYear = (typeof years.value)[number]
const sums = computed<{ words: string; text: (y: OneYear) => string }[]>(() => [
  { words: 'came in', text: (y) => round(y.kg) },
  { words: 'expected by the book', text: (y) => (y.expected ? round(y.expected) : '–') },
  { words: `for each ${shown('m²').unit} of bed`, text: (y) => (y.area ? say(y.kg / y.area, 'kg/m²') : '–') },
  { words: 'jars and bags put up', text: (y) => String(Math.round(y.jars)) },
  { words: 'hours of putting up', text: (y) => (y.hours ? say(y.hours, 'hours') : '–') },
  { words: 'given away', text: (y) => (y.given ? round(y.given) : '–') },
  { words: 'lost', text: (y) => (y.lost ? round(y.lost) : '–') },
  {
    words: 'the weather',
    text: (y) =>
      [
        y.warmer === undefined
          ? ''
          : `${say(Math.abs(Math.round(10 * y.warmer) / 10), 'degrees')} ${y.warmer < 0 ? 'colder' : 'warmer'} than usual`,
        y.rain === undefined ? '' : `${say(Math.abs(Math.round(y.rain)), 'mm')} ${y.rain < 0 ? 'less' : 'more'} rain`,
      ]
        .filter(Boolean)
        .join(', ') || 'not recorded',
  },
])
const crops = computed(() =>
  (data.value?.crops ?? []).filter((c) => c.name.toLowerCase().includes(find.value.trim().toLowerCase())),
)
/** One scale for a row: the most that came in, or was expected, in any of its years. */
const most = (list: { kg: number; expected?: number }[]) =>
  Math.max(1e-9, ...list.map((y) => Math.max(y.kg, y.expected ?? 0)))
</script>

<template>
  <section class="years">
    <div class="bar">
      <h2 tabindex="-1">The years side by side</h2>
      <RouterLink to="/year-end">Back to the year’s end</RouterLink>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <p v-else-if="!data" class="quiet" role="status">Working it out …</p>
    <p v-else-if="!years.length" class="empty">
      Nothing is recorded yet. What you weigh, count and put up in the Daybook is shown here, year beside year.
    </p>
    <template v-else>
      <div class="wide" tabindex="0" role="region" aria-label="The sums of the years">
        <table>
          <thead>
            <tr>
              <th></th>
              <th v-for="y in years" :key="y.year" class="n" scope="col">{{ y.year }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in sums" :key="s.words">
              <th scope="row">{{ s.words }}</th>
              <td v-for="y in years" :key="y.year" class="n">{{ s.text(y) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="bar pick no-print">
        <ChoiceButtons
          v-model="of"
          label="What is shown through the years"
          :options="[
            { value: 'crops', words: 'each crop' },
            { value: 'beds', words: 'each bed' },
          ]"
        />
        <input v-if="of === 'crops'" v-model="find" type="search" placeholder="find" aria-label="Find a crop" />
      </div>
      <p v-if="of === 'crops'" class="small quiet">
        Full: what came in. Dashed: what the book expects of what stood. Dates: the first picking to the last.
      </p>
      <template v-if="of === 'crops'">
        <section v-for="c in crops" :key="c.crop" class="row" :aria-label="c.name" :data-years-of="c.crop">
          <h3>{{ c.name }}</h3>
          <div v-for="y in c.years" :key="y.year" class="one small">
            <span class="year">{{ y.year }}</span>
            <TwoBars :want="y.expected" :got="y.kg" :most="most(c.years)" />
            <span class="said"
              ><b>{{ round(y.kg) }}</b
              ><template v-if="y.expected"> of {{ round(y.expected) }}</template
              ><template v-if="y.plants">, {{ count(Math.round(y.plants), 'plant') }}</template
              ><template v-if="y.first">, {{ day(y.first) }} to {{ day(y.last) }}</template></span
            >
          </div>
        </section>
        <p v-if="!crops.length" class="quiet">No crop is called so.</p>
      </template>
      <template v-else>
        <section v-for="b in data.beds" :key="b.bed" class="row" :aria-label="b.name" :data-years-of="b.bed">
          <h3>{{ b.name }}</h3>
          <div v-for="y in b.years" :key="y.year" class="one small">
            <span class="year">{{ y.year }}</span>
            <TwoBars :want="0" :got="y.kg" :most="most(b.years)" />
            <span class="said"
              ><b v-if="y.kg">{{ round(y.kg) }}</b
              >{{ y.kg && y.crops.length ? ', ' : '' }}{{ y.crops.join(', ').toLowerCase() }}</span
            >
          </div>
        </section>
      </template>
    </template>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: baseline;
}
.pick {
  padding-top: var(--space-5);
}
table th {
  text-align: left;
  font-weight: 400;
  padding-right: var(--space-7);
}
table thead th {
  font-family: var(--serif);
  font-weight: 600;
  text-align: right;
}
table td {
  padding: var(--space-1) 0 var(--space-1) var(--space-6);
}
.row {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) 1fr;
  gap: 0 var(--space-6);
  border-top: 1px solid var(--hair);
  padding: var(--space-3) 0;
}
.row h3 {
  grid-row: span 20;
  margin: 0;
  font-size: var(--type-text);
  border: 0;
}
.one {
  grid-column: 2;
  display: grid;
  grid-template-columns: 3rem minmax(6rem, 18rem) 1fr;
  gap: var(--space-4);
  align-items: center;
}
.year {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
input {
  font: inherit;
  color: inherit;
  background: transparent;
  border: 0;
  border-bottom: 1px solid var(--hair-2);
}
.empty {
  font-family: var(--serif);
  font-size: var(--type-large);
}
@container leaf (max-width: 620px) {
  .row {
    grid-template-columns: 1fr;
  }
  .one {
    grid-column: 1;
    grid-template-columns: 3rem 1fr;
  }
  .said {
    grid-column: 1 / -1;
  }
}
</style>
