<script setup lang="ts">
// A card for one week, in large type with boxes to tick: what to do by day, what to water, and room
// to write. It can be printed, shared from a phone or kept as a text.
import { useShare } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useBedWork } from '../../lib/bedwork'
import { linesUntil, monday } from '../../lib/daybook'
import { useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { usePaper } from '../../lib/paper'
import { saveText } from '../../lib/savetext'
import { useUnits } from '../../lib/units'
import { day, dayNumber, fullDay, isoDay, taskAmount, weekday } from '../../lib/words'
import PaperChoice from '../../parts/PaperChoice.vue'
import WeekChoice from '../../parts/WeekChoice.vue'
import './paper.css'

const store = useHousehold()
const { say } = useUnits()
const whereIs = useWhere()
const { water } = useBedWork()
const paper = usePaper(() => 'portrait', '12mm')
const ahead = ref(0)
const today = computed(() => store.plan?.as_of ?? '')
const from = computed(() => (today.value ? monday(today.value) + 7 * ahead.value : 0))

interface Item {
  day: string
  what: string
  more: string
}
const indoors = new Set(['raised', 'tray'])
const items = computed<Item[]>(() => {
  const p = store.plan
  if (!p) return []
  const first = isoDay(from.value)
  const last = isoDay(from.value + 6)
  const inWeek = (d: string) => d <= last && (d >= first || (!ahead.value && d < today.value))
  const lines = linesUntil(p, from.value + 6)
    .filter((l) => inWeek(l.day))
    .map((l) => ({
      day: l.day,
      what: `${l.do} ${l.crop.toLowerCase()}`,
      more: [
        l.count && l.what !== 'up-by'
          ? taskAmount({ count: l.count, unit: l.unit, noun: l.parts[0]?.task.noun }, say)
          : '',
        l.what === 'sow' && indoors.has(l.parts[0]?.sowing.method ?? '')
          ? ''
          : whereIs(...l.parts.map((x) => x.sowing.id)),
      ]
        .filter(Boolean)
        .join(', '),
    }))
  const chores = p.chores
    .filter((c) => (c.state === 'open' || c.state === 'overdue') && inWeek(c.day))
    .map((c) => ({ day: c.day, what: c.name, more: c.minutes ? `${fixed(c.minutes, 0)} min` : '' }))
  return [...lines, ...chores].sort((a, b) => a.day.localeCompare(b.day))
})
/** The days that have something, those before the week under one head. */
const days = computed(() => {
  const out: { name: string; items: Item[] }[] = []
  for (const i of items.value) {
    const name = i.day < isoDay(from.value) ? 'Overdue' : `${weekday(i.day)}, ${day(i.day)}`
    const last = out.at(-1)
    if (last?.name === name) last.items.push(i)
    else out.push({ name, items: [i] })
  }
  return out
})
const watering = computed(() =>
  water.value.flatMap((b) => {
    const w = b.weeks.find((x) => dayNumber(x.day) === from.value)
    if (!w || w.litres < 1) return []
    return [`${b.name}: ${w.minutes ? `${fixed(w.minutes, 0)} min of drip` : say(w.litres, 'L')}`]
  }),
)
const title = computed(() => `Week of ${fullDay(isoDay(from.value))}`)
const text = computed(() =>
  [
    title.value,
    ...days.value.flatMap((d) => ['', d.name, ...d.items.map((i) => `[ ] ${i.what}${i.more ? ` (${i.more})` : ''}`)]),
    ...(watering.value.length ? ['', 'Water, less what rain brings', ...watering.value] : []),
  ].join('\n'),
)
const { share, isSupported } = useShare()
</script>

<template>
  <section class="sheets paper">
    <div class="bar no-print">
      <h2 tabindex="-1">Week card</h2>
      <RouterLink to="/paper">All sheets</RouterLink>
      <WeekChoice v-model="ahead" />
      <PaperChoice v-model="paper" words="print" />
      <button v-if="isSupported" type="button" class="link" @click="share({ title, text })">share</button>
      <button type="button" class="link" @click="saveText('week.txt', text)">keep as text</button>
    </div>
    <article class="card">
      <h3>
        {{ title }} <span>{{ store.household?.name }}</span>
      </h3>
      <div v-for="d in days" :key="d.name" class="day">
        <h4>{{ d.name }}</h4>
        <ul>
          <li v-for="(i, k) in d.items" :key="k">
            <span class="box" aria-hidden="true"></span>
            <span
              ><b>{{ i.what }}</b> {{ i.more }}</span
            >
            <span class="line" aria-hidden="true"></span>
          </li>
        </ul>
      </div>
      <p v-if="!days.length" class="quiet">No task is due on a certain day in this week.</p>
      <div v-if="watering.length" class="day">
        <h4>Water, less what rain brings</h4>
        <ul>
          <li v-for="w in watering" :key="w">
            <span class="box" aria-hidden="true"></span><span>{{ w }}</span>
          </li>
        </ul>
      </div>
      <div class="day notes" aria-hidden="true">
        <h4>Seen, picked, to remember</h4>
        <p v-for="n in 4" :key="n" class="blank"></p>
      </div>
    </article>
  </section>
</template>

<style scoped>
.card {
  font-size: var(--type-large);
}
h4 {
  margin: var(--space-4) 0 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1.6em minmax(0, auto) minmax(2rem, 1fr);
  gap: var(--space-3);
  align-items: baseline;
  padding: var(--space-2) 0;
}
.line {
  border-bottom: 1px solid var(--hair-2);
}
.blank {
  height: 1.9em;
  margin: 0;
  border-bottom: 1px solid var(--hair-2);
}
@media print {
  .card {
    font-size: 14pt;
  }
  .card h4 {
    font-size: 15pt;
  }
}
</style>
