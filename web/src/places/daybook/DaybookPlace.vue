<script setup lang="ts">
// The daybook: what is to do this week and the next, what is overdue, what was
// done; and what stands, with what can be seen of it.
import { ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { ChoreDue, Sowing } from '../../lib/api'
import { provideBedWork } from '../../lib/bedwork'
import { doneIn, greenTasks, linesUntil, monday, type Line } from '../../lib/daybook'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { provideLessons } from '../../lib/lessons'
import { provideOutlooks } from '../../lib/outlooks'
import { day, dayNumber, fullDay, isoDay, weekday } from '../../lib/words'
import BagLines from './BagLines.vue'
import BehindLine from './BehindLine.vue'
import ChoreLine from './ChoreLine.vue'
import DaybookLinks from './DaybookLinks.vue'
import DoneTasks from './DoneTasks.vue'
import EarlierYears from './EarlierYears.vue'
import EntryList from './EntryList.vue'
import FrostNights from './FrostNights.vue'
import GreenTasks from './GreenTasks.vue'
import LogLine from '../../parts/LogLine.vue'
import StandingLine from './StandingLine.vue'
import TaskLine from './TaskLine.vue'
import MoonLine from './MoonLine.vue'
import WaterLine from './WaterLine.vue'
import WeatherLine from './WeatherLine.vue'
import WeekHead from './WeekHead.vue'
import './daybook.css'

const store = useHousehold()
const router = useRouter()
provideOutlooks()
const { water } = provideBedWork()
const ahead = ref(0) // weeks looked ahead
const find = ref('')
const finder = ref<InstanceType<typeof ElInput>>()

const plan = computed(() => store.plan)
const today = computed(() => plan.value?.as_of ?? '')
const start = computed(() => (today.value ? monday(today.value) + 7 * ahead.value : 0))
const all = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  const lines = plan.value ? linesUntil(plan.value, start.value + 13) : []
  return lines.filter((l) => !wanted || (l.do + ' ' + l.crop).toLowerCase().includes(wanted))
})
provideLessons(() => all.value)
/** The household's own jobs that are to be done until the end of next week. */
const chores = computed(() => {
  const last = isoDay(start.value + 13)
  const wanted = find.value.trim().toLowerCase()
  return (plan.value?.chores ?? []).filter(
    (c) =>
      (c.state === 'open' || c.state === 'overdue') &&
      c.day <= last &&
      (!wanted || c.name.toLowerCase().includes(wanted)),
  )
})
const parts = computed(() => {
  const iso = today.value
  const from = isoDay(start.value)
  const next = isoDay(start.value + 7)
  const weeks = [
    {
      name: ahead.value ? `Week of ${day(from)}` : 'This week',
      from,
      lines: all.value.filter((l) => l.day >= (ahead.value ? from : iso) && l.day < next),
      chores: chores.value.filter((c) => c.day >= (ahead.value ? from : iso) && c.day < next),
    },
    {
      name: ahead.value ? `Week of ${day(next)}` : 'Next week',
      from: next,
      lines: all.value.filter((l) => l.day >= next),
      chores: chores.value.filter((c) => c.day >= next),
    },
  ]
  const over = all.value.filter((l) => l.day < iso)
  const late: ChoreDue[] = chores.value.filter((c) => c.day < iso)
  return over.length + late.length && !ahead.value
    ? [{ name: 'Overdue', from: '', lines: over, chores: late }, ...weeks]
    : weeks
})
/** The lines and the household's own jobs of a part, by day. */
const byDay = (p: { lines: Line[]; chores: ChoreDue[] }) =>
  [
    ...p.chores.map((due) => ({ key: due.chore + due.day, day: due.day, due, line: undefined })),
    ...p.lines.map((line) => ({ key: line.key, day: line.day, due: undefined, line })),
  ].sort((a, b) => a.day.localeCompare(b.day))
/** Green manures: from a fortnight ago, since nobody ticks them, to the end of next week. */
const greens = computed(() =>
  plan.value ? greenTasks(plan.value, isoDay(start.value - (ahead.value ? 0 : 14)), isoDay(start.value + 13)) : [],
)
/** What comes next, where these weeks have nothing. */
const next = computed(() =>
  plan.value ? linesUntil(plan.value, start.value + 400).find((l) => l.day >= today.value) : undefined,
)
const done = computed(() => (plan.value ? doneIn(plan.value, monday(today.value) - 7, dayNumber(today.value)) : []))
/** Where one should look first: what should be up, then what is ready, then the rest by its date. */
function rank(s: Sowing): number {
  const up = s.tasks.find((t) => t.what === 'up-by')
  if (up && (up.state === 'open' || up.state === 'overdue') && up.day <= today.value) return 0
  return s.first_pick && s.first_pick <= today.value ? 1 : 2
}
const standing = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return (plan.value?.sowings ?? [])
    .filter(
      (s) => s.begun && !s.over && s.clear >= today.value && (!wanted || s.crop_name.toLowerCase().includes(wanted)),
    )
    .sort((a, b) => rank(a) - rank(b) || a.date.localeCompare(b.date))
})

/** A week back: from this week on to the days that have been. */
const back = () =>
  ahead.value ? ahead.value-- : void router.push(`/daybook/day/${isoDay(dayNumber(today.value) - 7)}`)
/** Whether something that was begun stands in a week, and has to be weeded and picked. */
const stands = (iso: string) => !!iso && standing.value.some((s) => s.clear >= iso)
useKeys([
  { keys: 'f', does: 'find in the daybook', run: () => finder.value?.focus() },
  { keys: '[', does: 'a week back', run: back },
  { keys: ']', does: 'a week forward', run: () => (ahead.value = Math.min(52, ahead.value + 1)) },
])
</script>

<template>
  <section v-if="plan" class="daybook">
    <div class="place-bar">
      <h2 tabindex="-1">Daybook</h2>
      <p class="today">
        {{ weekday(today) }}, {{ fullDay(today) }}
        <DaybookLinks />
      </p>
      <div class="tools no-print">
        <span class="choice" role="group" aria-label="Which weeks">
          <button type="button" class="plain" aria-label="Previous week" @click="back">‹</button>
          <button type="button" class="plain" :aria-pressed="!ahead" @click="ahead = 0">this week</button>
          <button type="button" class="plain" aria-label="Next week" @click="ahead++">›</button>
        </span>
        <ElInput
          ref="finder"
          v-model="find"
          size="small"
          placeholder="find"
          aria-label="Find in the daybook"
          clearable
          @keydown.esc="find = ''"
        />
      </div>
    </div>
    <LogLine />
    <WeatherLine />
    <WaterLine v-if="!ahead" :water="water" />
    <BehindLine />
    <FrostNights />
    <div class="columns">
      <div class="todo">
        <p v-if="!all.length && next" class="next">
          Nothing to do in these two weeks. Next: <b>{{ day(next.day) }}</b>, {{ next.do.toLowerCase() }}
          <span class="crop">{{ next.crop }}</span>.
        </p>
        <section v-for="p in parts" :key="p.name" :aria-label="p.name">
          <WeekHead :name="p.name" :from="p.from" :busy="p.lines.length + p.chores.length > 0" />
          <ul v-if="p.lines.length + p.chores.length">
            <template v-for="x in byDay(p)" :key="x.key">
              <ChoreLine v-if="x.due" :due="x.due" :overdue="p.name === 'Overdue'" />
              <TaskLine v-else-if="x.line" :line="x.line" :overdue="p.name === 'Overdue'" />
            </template>
          </ul>
          <p v-else class="quiet none">
            {{
              stands(p.from)
                ? 'No task is due on a certain day. Weed, water and pick what is growing as it needs it.'
                : 'Nothing to do.'
            }}
          </p>
        </section>
      </div>
      <div class="beside">
        <EntryList :from="isoDay(dayNumber(today) - 6)" :to="today" title="Recorded in the last seven days" :few="6" />
        <BagLines />
        <GreenTasks v-if="greens.length" :tasks="greens" />
        <section aria-label="Growing now">
          <h3>
            Growing now
            <span class="aside small"
              >Press a crop to report on it, or enter
              <RouterLink to="/daybook/growing">what is growing already</RouterLink></span
            >
          </h3>
          <ul v-if="standing.length">
            <StandingLine v-for="s in standing" :key="s.id" :sowing="s" />
          </ul>
          <p v-else class="quiet none">
            Nothing sown yet. Tick a task when it is done and its crop shows here. Is something growing already?
            <RouterLink to="/daybook/growing">Enter it</RouterLink>.
          </p>
        </section>
        <DoneTasks :done="done" />
        <EarlierYears />
        <MoonLine class="no-print" />
      </div>
    </div>
    <p v-if="!plan.sowings.length" class="quiet none">
      Nothing to do yet. Add what your family eats in Table, and the work shows here.
    </p>
  </section>
</template>

<style scoped>
.today {
  flex: 1;
  font-family: var(--serif);
  font-size: var(--type-large);
}
.tools {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
.tools .el-input {
  width: 8rem;
}
.choice button {
  padding: var(--space-1) var(--space-4);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 6fr) minmax(0, 5fr);
  gap: 0 var(--space-7);
  align-items: start;
}
.next {
  padding: var(--space-4) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
.next .crop {
  font-weight: 600;
}
@container leaf (max-width: 760px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
