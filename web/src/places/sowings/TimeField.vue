<script setup lang="ts">
// Every sowing over the year, crop by crop: indoors, in the bed, picked; above
// each crop the days on which it can be sown here, with the reason at each edge.
import { computed, ref } from 'vue'
import type { Sowing } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { firstRows, useLate } from '../../lib/late'
import { timeScale } from '../../lib/timescale'
import { coverSaid, day, dayNumber, isoDay } from '../../lib/words'
import HabitForm from './HabitForm.vue'
import { useShift } from './shift'
import SowingPanel from './SowingPanel.vue'
import TimeHead from './TimeHead.vue'
import TimeRow from './TimeRow.vue'

const props = defineProps<{ sowings: Sowing[] }>()
const store = useHousehold()
const open = ref('')
const shown = ref('') // the sowing whose panel is open
const toggle = (s: Sowing) => (shown.value = shown.value === s.id ? '' : s.id)

/** The months shown: from the first thing to do until the last bed is cleared, two years at most. */
const span = computed(() => {
  const from = Math.min(...props.sowings.map((s) => dayNumber(s.date)))
  const to = Math.max(...props.sowings.map((s) => dayNumber(s.last_pick ?? s.clear)))
  const start = dayNumber(isoDay(from).slice(0, 8) + '01')
  return { from: start, days: Math.min(730, Math.max(60, to - start + 10)) }
})
const scale = computed(() => timeScale(span.value.from, span.value.from + span.value.days, 100))
const { by, wrong, key, down, drag, drop, letGo } = useShift(() => span.value.days, toggle)

const groups = computed(() => {
  const out = new Map<
    string,
    { key: string; name: string; crop: string; cover: string; warmer: number; rows: Sowing[] }
  >()
  for (const s of props.sowings) {
    const key = `${s.crop} ${s.cover ?? ''} ${s.warmer ?? 0}`
    const g = out.get(key) ?? {
      key,
      name: s.crop_name,
      crop: s.crop,
      cover: s.cover ?? '',
      warmer: s.warmer ?? 0,
      rows: [],
    }
    g.rows.push(s)
    out.set(key, g)
  }
  return [...out.values()].sort((a, b) => a.name.localeCompare(b.name))
})
const late = useLate(() => props.sowings.length, 30, 30)
const painted = computed(() => firstRows(groups.value, late.value))
const windows = (crop: string, cover: string, warmer: number) =>
  store.plan?.fields.find((f) => f.crop === crop && (f.cover ?? '') === cover && (f.warmer ?? 0) === warmer)?.windows ??
  []

const today = computed(() => (store.plan ? scale.value.x(store.plan.as_of) : 0))
</script>

<template>
  <div class="time">
    <TimeHead :scale="scale" />
    <section v-for="g in painted" :key="g.key" :data-crop="g.crop" :aria-label="g.name">
      <div class="time-grid head">
        <button
          type="button"
          class="plain name"
          :aria-expanded="open === g.key"
          @click="open = open === g.key ? '' : g.key"
        >
          {{ g.name }}<span v-if="g.cover" class="quiet small"> under {{ coverSaid(g.cover) }}</span
          ><span v-if="g.warmer" class="quiet small"> in {{ g.warmer > 0 ? 'warmer' : 'colder' }} ground</span>
        </button>
        <div class="axis">
          <span
            v-for="w in windows(g.crop, g.cover, g.warmer)"
            :key="w.first"
            class="window"
            :style="{ left: scale.x(w.first) + '%', width: scale.span(w.first, w.last, 0.25) + '%' }"
            :title="`can be sown from ${day(w.first)} (${w.first_why}) to ${day(w.last)} (${w.last_why})`"
          />
        </div>
      </div>
      <div v-if="open === g.key" class="why small">
        <p v-for="w in windows(g.crop, g.cover, g.warmer)" :key="w.first">
          Can be sown from <strong>{{ day(w.first) }}</strong> to <strong>{{ day(w.last) }}</strong>. Not earlier:
          {{ w.first_why }}. Not later: {{ w.last_why }}. Picked from {{ day(w.picked) }} to {{ day(w.until) }}.
        </p>
        <p v-if="!windows(g.crop, g.cover, g.warmer).length" class="quiet">
          It stays for years, or is sown on a tray at any time.
        </p>
        <HabitForm v-else :crop="g.crop" />
      </div>
      <template v-for="s in g.rows" :key="s.id">
        <TimeRow
          :sowing="s"
          :scale="scale"
          :days="span.days"
          :by="by(s)"
          :open="shown === s.id"
          @toggle="toggle(s)"
          @key="key($event, s)"
          @down="down($event, s)"
          @drag="drag"
          @drop="drop"
          @let-go="letGo"
        />
        <SowingPanel v-if="shown === s.id" :sowing="s" ribbon class="opened" />
      </template>
    </section>
    <span v-if="today > 0 && today < 100" class="time-grid today" aria-hidden="true"
      ><span></span><span class="axis"><i :style="{ left: today + '%' }" /></span
    ></span>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="hint small quiet no-print">
      Move a line with ← and → (a week with Shift), or drag it. Enter opens it. The other sowings adjust to the dates
      you fix.
    </p>
    <p class="key small quiet">
      <i class="window" /> can be sown <i class="indoors" /> indoors <i class="grows" /> in the bed
      <i class="picked" /> picked or lifted <span class="frost-mark">✱</span> usual frost dates
    </p>
  </div>
</template>

<style scoped>
.time {
  position: relative;
  isolation: isolate;
}
.head {
  margin-top: var(--space-3);
}
.name {
  font-family: var(--serif);
  font-weight: 600;
  line-height: 1.2;
}
.name:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
  text-decoration-color: var(--hair-2);
}
.window {
  position: absolute;
  top: 3px;
  height: 8px;
  background: repeating-linear-gradient(-45deg, var(--hair-2) 0 1px, transparent 1px 4px);
  border-left: 2px solid var(--ink-2);
  border-right: 2px solid var(--ink-2);
}
.opened {
  margin-left: var(--space-4);
}
.why {
  padding: var(--space-1) 0 var(--space-3) var(--space-5);
  border-left: 3px solid var(--accent);
  max-width: 62rem;
}
.today {
  position: absolute;
  inset: 2.1rem 0 3.4rem 0;
  pointer-events: none;
  z-index: -1;
}
.today i {
  top: 0;
  height: 100%;
  border-left: 1px solid var(--accent);
}
.hint {
  padding-top: var(--space-4);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  align-items: center;
  padding-top: var(--space-4);
}
.key i {
  position: static;
  display: inline-block;
  width: 22px;
  height: 9px;
  margin-left: var(--space-5);
}
.frost-mark {
  color: var(--freezer);
  margin-left: var(--space-5);
}
</style>

<style>
.time-grid {
  display: grid;
  grid-template-columns: minmax(8rem, 13rem) minmax(0, 1fr);
  column-gap: var(--space-5);
  align-items: center;
}
.time-grid .axis {
  position: relative;
  height: 100%;
  min-height: 13px;
}
.time i.indoors {
  border: 1px dashed var(--ink-2);
  border-right: 0;
}
.time i.grows {
  background: color-mix(in srgb, var(--fresh) 28%, var(--paper));
}
.time i.picked {
  background: var(--fresh);
}
@container leaf (max-width: 620px) {
  .time-grid {
    grid-template-columns: 6.4rem minmax(0, 1fr);
    column-gap: var(--space-4);
  }
}
</style>
