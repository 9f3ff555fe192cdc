<script setup lang="ts">
// Year: every food over the 52 weeks, each week with its source; above it what
// comes in and what the kitchen must handle.
import { computed, defineAsyncComponent, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { firstRows, useLate } from '../../lib/late'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import GroundLine from '../../parts/GroundLine.vue'
import Legend from '../../parts/Legend.vue'
import MonthScale from '../../parts/MonthScale.vue'
import Remedies from '../../parts/Remedies.vue'
import { useWeekCursor } from './cursor'
import GoalsLine from './GoalsLine.vue'
import { grouped, weekly, type GroupBy } from './ledger'
import LedgerStrips from './LedgerStrips.vue'
import WeekCaption from './WeekCaption.vue'
import YearOverloads from './YearOverloads.vue'
import YearRow from './YearRow.vue'
import YearTotals from './YearTotals.vue'
import SeasonSoFar from './SeasonSoFar.vue'

const WeekPage = defineAsyncComponent(() => import('./WeekPage.vue'))
const store = useHousehold()
const ground = useGround()
const route = useRoute()
const router = useRouter()

const years = [
  { value: 'round', words: 'A typical year' },
  { value: 'ahead', words: 'This coming year' },
]
const view = ref('round')
const ahead = computed(() => view.value === 'ahead')
const groupings = [
  { value: 'yours', words: 'my order' },
  { value: 'food', words: 'by food' },
  { value: 'source', words: 'by source' },
]
const group = ref('yours')
const mending = ref('') // the wish whose ways are open
const week = ref(-1) // the week in focus
const grid = ref<HTMLElement>()

const page = computed(() => {
  const w = Number(route.params.week)
  return route.params.week !== undefined && w >= 0 && w <= 51 ? w : -1
})

const foods = computed(() => (store.plan?.wishes ?? []).filter((w) => w.weeks_wanted > 0))
const sourceOf = (id: string) => {
  const w = store.plan?.wishes.find((x) => x.id === id)
  return (ahead.value ? w?.coming : w?.source) ?? []
}

const groups = computed(() =>
  grouped(
    foods.value,
    group.value as GroupBy,
    sourceOf,
    (w) => store.household?.wishes.find((x) => x.id === w.id)?.food ?? w.title,
  ),
)
const late = useLate(() => foods.value.length, 26, 100)
const painted = computed(() => firstRows(groups.value, late.value))

/** The sources of a food's weeks as they count: a week that has no ground is a gap. */
const countedOf = (id: string) => {
  const bare = new Set(ground.shortOf(id)?.without)
  return sourceOf(id).map((s, i) => (bare.has(i) ? 'gap' : s))
}
const table = computed(() => weekly(foods.value.map((w) => countedOf(w.id))))

const kitchen = computed(() => store.plan?.kitchen)

function open(w: number) {
  void router.push(`/year/${w}`)
}

const { move, point, press } = useWeekCursor(week, grid, open)

useKeys([
  { keys: '← →', does: 'in the year: a week back or on; Enter opens the week' },
  { keys: '[', does: 'a week back', run: () => step(-1) },
  { keys: ']', does: 'a week forward', run: () => step(1) },
])
function step(by: number) {
  if (page.value >= 0) open(Math.min(51, Math.max(0, page.value + by)))
  else week.value = Math.min(51, Math.max(0, week.value + by))
}

watch(page, async (now, was) => {
  if (now >= 0 || was < 0) return
  week.value = was
  await nextTick()
  grid.value?.focus()
})

// How long the ledger takes to be painted; read by the benchmark.
performance.mark('ledger-begin')
onMounted(() =>
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      performance.measure('ledger', 'ledger-begin')
    }),
  ),
)
</script>

<template>
  <WeekPage v-if="page >= 0" :week="page" @week="open" @close="router.push('/year')" />
  <section v-else class="year" aria-label="The year">
    <h2 class="hidden-words" tabindex="-1">Year</h2>
    <p v-if="!foods.length" class="empty">
      No wishes yet. Add them in <RouterLink to="/table">Table</RouterLink> and the year shows here.
    </p>
    <template v-else>
      <div class="bar">
        <ChoiceButtons v-model="view" class="views no-print" label="Which year" :options="years" />
        <ChoiceButtons v-model="group" class="no-print" label="Grouped" :options="groupings" />
      </div>
      <p class="about small quiet">
        <template v-if="ahead">{{
          store.plan?.empty_shelf
            ? 'Shelves is empty, so stored food starts with the first harvest.'
            : 'Until the next harvest, storage and jars hold only what is on the shelf today.'
        }}</template>
        <template v-else
          >Amounts assume that every year is the same: food stored in October is eaten next March.</template
        >
      </p>
      <GroundLine />
      <SeasonSoFar />
      <GoalsLine />

      <div
        ref="grid"
        class="ledger"
        tabindex="0"
        role="group"
        aria-label="Foods by week; arrows move, Enter opens the week"
        @keydown="move"
        @mousemove="point"
        @mouseleave="week = -1"
        @click="press"
        @focus="week = Math.max(0, week)"
        @blur="week = -1"
      >
        <div v-if="week >= 0" class="cursor" aria-hidden="true"><i :style="{ left: (week / 52) * 100 + '%' }" /></div>
        <LedgerStrips :ahead="ahead" />
        <div class="year-grid heads">
          <span class="small quiet">food</span><MonthScale warm /><span class="small quiet r">gaps</span>
        </div>
        <template v-for="(g, i) in painted" :key="g.title + i">
          <h3 v-if="g.title">{{ g.title }}</h3>
          <template v-for="w in g.rows" :key="w.id">
            <YearRow
              :plan="w"
              :source="sourceOf(w.id)"
              :open="mending === w.id"
              @mend="mending = mending === w.id ? '' : w.id"
            />
            <Remedies
              v-if="mending === w.id"
              class="mend"
              :of="{ wish: w.id }"
              heading="How to fill this gap"
              @click.stop
              @keydown.stop
            />
          </template>
        </template>
        <YearTotals :foods="foods.length" :table="table" />
      </div>
      <WeekCaption :week="week" :table="table" />
      <Legend bought />

      <YearOverloads v-if="kitchen?.overloads.length" :overloads="kitchen.overloads" />
    </template>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  justify-content: space-between;
  align-items: center;
}
.about {
  margin-top: var(--space-3);
}
.ledger {
  position: relative;
  margin-top: var(--space-4);
  cursor: pointer;
}
.cursor {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template-columns: var(--year-columns);
  column-gap: var(--space-5);
  pointer-events: none;
  z-index: 2;
}
.cursor::before {
  content: '';
}
.cursor {
  --at: 0;
}
.cursor i {
  grid-column: 2;
  position: relative;
  width: calc(100% / 52);
  border: 1.5px solid var(--ink);
}
.heads {
  align-items: end;
  border-bottom: 1px solid var(--ink-2);
}
.r {
  text-align: right;
}
.ledger h3 {
  padding: var(--space-4) 0 var(--space-1);
  font-size: var(--type-text);
}
.mend {
  background: var(--sheet);
  border-left: 3px solid var(--accent);
  padding: var(--space-4) var(--space-5) var(--space-4);
  cursor: default;
}
.empty {
  padding: var(--space-7) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
