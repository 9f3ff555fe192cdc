<script setup lang="ts">
// Every sowing over the year, crop by crop: indoors, in the ground, picked; above
// each crop the days on which it may be begun here, with the reason at each edge.
import { computed, nextTick, onBeforeUnmount, ref } from 'vue'
import type { Sowing } from '../../lib/api'
import { otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day, dayNumber, isoDay, monthShort, serves, coverSaid } from '../../lib/words'
import HabitForm from './HabitForm.vue'
import SowingPanel from './SowingPanel.vue'

const props = defineProps<{ sowings: Sowing[] }>()
const store = useHousehold()
const { say } = useUnits()
const open = ref('')

const at = dayNumber
const shown = ref('') // the sowing whose panel is open
/** A sowing being moved, and by how many days; it is put down once the hand rests. */
const moving = ref<{ id: string; by: number }>({ id: '', by: 0 })
const wrong = ref('')
const rest = 700
let timer = 0
onBeforeUnmount(() => window.clearTimeout(timer))

const movable = (s: Sowing) => s.method !== 'patch' && !s.stands && !s.begun
function shift(s: Sowing, by: number) {
  if (!movable(s)) return
  window.clearTimeout(timer)
  moving.value = { id: s.id, by: (moving.value.id === s.id ? moving.value.by : 0) + by }
  timer = window.setTimeout(() => void put(s), rest)
}
async function put(s: Sowing) {
  window.clearTimeout(timer)
  const { id, by } = moving.value
  if (id !== s.id || !by) {
    moving.value = { id: '', by: 0 }
    return
  }
  const had = document.activeElement?.closest('[data-bar]')?.getAttribute('data-bar') === s.id
  const p = await store.log({ sowing: s.id, what: 'set', day: isoDay(at(s.date) + by) })
  moving.value = { id: '', by: 0 }
  wrong.value = p ? otherErrors(p) || p.detail : ''
  if (!had) return
  await nextTick()
  document.querySelector<HTMLElement>(`[data-bar="${CSS.escape(s.id)}"] .axis`)?.focus()
}
function onKey(e: KeyboardEvent, s: Sowing) {
  const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (step) shift(s, e.shiftKey ? 7 * step : step)
  else if (e.key === 'Enter') {
    if (moving.value.id === s.id && moving.value.by) void put(s)
    else shown.value = shown.value === s.id ? '' : s.id
  } else if (e.key === 'Escape' && moving.value.id === s.id) {
    window.clearTimeout(timer)
    moving.value = { id: '', by: 0 }
  } else return
  e.preventDefault()
  e.stopPropagation()
}
let held: { s: Sowing; x: number; width: number } | undefined
function down(e: PointerEvent, s: Sowing) {
  if (!movable(s) || e.button !== 0) return
  const axis = e.currentTarget as HTMLElement
  held = { s, x: e.clientX, width: axis.clientWidth }
  axis.setPointerCapture(e.pointerId)
}
function drag(e: PointerEvent) {
  if (!held) return
  const by = Math.round(((e.clientX - held.x) / held.width) * span.value.days)
  if (by || moving.value.id === held.s.id) moving.value = { id: held.s.id, by }
}
function drop() {
  if (held && moving.value.id === held.s.id) void put(held.s)
  else if (held) shown.value = shown.value === held.s.id ? '' : held.s.id
  held = undefined
}
/** How far a line is drawn from where it stands, in hundredths of the axis. */
const aside = (s: Sowing) => (moving.value.id === s.id ? (moving.value.by / span.value.days) * 100 : 0)
const begins = (s: Sowing) => (moving.value.id === s.id ? isoDay(at(s.date) + moving.value.by) : s.date)

/** The months shown: from the first thing to do until the last bed is cleared, two years at most. */
const span = computed(() => {
  const from = Math.min(...props.sowings.map((s) => at(s.date)))
  const to = Math.max(...props.sowings.map((s) => at(s.last_pick ?? s.clear)))
  const d = new Date(from * 86400000)
  const start = Date.UTC(d.getUTCFullYear(), d.getUTCMonth(), 1) / 86400000
  return { from: start, days: Math.min(730, Math.max(60, to - start + 10)) }
})
const x = (iso: string) => Math.min(100, Math.max(0, ((at(iso) - span.value.from) / span.value.days) * 100))
const width = (a: string, b: string) => Math.max(0.25, x(b) - x(a))

const months = computed(() => {
  const out: { at: number; name: string; year: string }[] = []
  const d = new Date(span.value.from * 86400000)
  for (;;) {
    const iso = d.toISOString().slice(0, 10)
    if (at(iso) > span.value.from + span.value.days - 15) return out
    out.push({
      at: x(iso),
      name: monthShort(iso),
      year: iso.slice(5, 7) === '01' || !out.length ? iso.slice(0, 4) : '',
    })
    d.setUTCMonth(d.getUTCMonth() + 1)
  }
})

const groups = computed(() => {
  const out = new Map<string, { name: string; crop: string; cover: string; rows: Sowing[] }>()
  for (const s of props.sowings) {
    const key = `${s.crop} ${s.cover ?? ''}`
    const g = out.get(key) ?? { name: s.crop_name, crop: s.crop, cover: s.cover ?? '', rows: [] }
    g.rows.push(s)
    out.set(key, g)
  }
  return [...out.values()].sort((a, b) => a.name.localeCompare(b.name))
})
const windows = (crop: string, cover: string) =>
  store.plan?.fields.find((f) => f.crop === crop && (f.cover ?? '') === cover)?.windows ?? []

/** When it takes the ground. */
const ground = (s: Sowing) => (s.method === 'raised' && s.plant_out ? s.plant_out : s.date)
const grown = (s: Sowing) => s.first_pick ?? s.clear
const today = computed(() => (store.plan ? x(store.plan.as_of) : 0))

/** The middle of the warmest week, with its mean daily maximum. */
const heat = computed(() => {
  const iso = store.plan?.weeks[store.plan.warmest]
  return iso ? { at: x(isoDay(at(iso) + 3)), words: say(store.plan?.warmest_c ?? 0, '°C') } : undefined
})
const frosts = computed(() => {
  const p = store.plan
  if (!p || p.first_frost < 0) return []
  return [p.weeks[p.last_frost], p.weeks[p.first_frost]].flatMap((iso) => (iso ? [x(iso)] : []))
})
</script>

<template>
  <div class="time">
    <div class="time-grid scale" aria-hidden="true">
      <span></span>
      <div class="axis">
        <span v-for="m in months" :key="m.at" class="month" :style="{ left: m.at + '%' }"
          >{{ m.name }}<b v-if="m.year">{{ m.year }}</b></span
        >
        <span v-for="f in frosts" :key="f" class="frost" :style="{ left: f + '%' }">✱</span>
        <span v-if="heat" class="heat" :style="{ left: heat.at + '%' }">{{ heat.words }}</span>
      </div>
    </div>
    <section v-for="g in groups" :key="g.crop + g.cover" :data-crop="g.crop" :aria-label="g.name">
      <div class="time-grid head">
        <button
          type="button"
          class="plain name"
          :aria-expanded="open === g.crop + g.cover"
          @click="open = open === g.crop + g.cover ? '' : g.crop + g.cover"
        >
          {{ g.name }}<span v-if="g.cover" class="quiet small"> under {{ coverSaid(g.cover) }}</span>
        </button>
        <div class="axis">
          <span
            v-for="w in windows(g.crop, g.cover)"
            :key="w.first"
            class="window"
            :style="{ left: x(w.first) + '%', width: width(w.first, w.last) + '%' }"
            :title="`may be begun from ${day(w.first)} (${w.first_why}) to ${day(w.last)} (${w.last_why})`"
          />
        </div>
      </div>
      <div v-if="open === g.crop + g.cover" class="why small">
        <p v-for="w in windows(g.crop, g.cover)" :key="w.first">
          May be begun from <strong>{{ day(w.first) }}</strong> to <strong>{{ day(w.last) }}</strong>. Not earlier:
          {{ w.first_why }}. Not later: {{ w.last_why }}. Picked from {{ day(w.picked) }} to {{ day(w.until) }}.
        </p>
        <p v-if="!windows(g.crop, g.cover).length" class="quiet">It stands for years, or on a tray at any time.</p>
        <HabitForm v-else :crop="g.crop" />
      </div>
      <template v-for="s in g.rows" :key="s.id">
        <div class="time-grid line" :data-bar="s.id" :class="{ chosen: shown === s.id }">
          <button
            type="button"
            class="plain for small"
            :title="serves(s)"
            :aria-expanded="shown === s.id"
            @click="shown = shown === s.id ? '' : s.id"
          >
            <b :class="{ warn: s.late || !!s.set_why }">{{ day(begins(s)) }}</b>
            {{ s.plants ? count(s.plants, 'plant') : say(s.area, 'm²')
            }}<span v-if="s.begun || s.set || s.early" class="mark">{{
              s.begun ? 'begun' : s.set ? 'held' : 'risked'
            }}</span>
          </button>
          <div
            class="axis"
            :class="{ movable: movable(s), held: s.set, risked: s.early }"
            :tabindex="movable(s) ? 0 : -1"
            :role="movable(s) ? 'slider' : 'img'"
            :aria-valuenow="movable(s) ? at(begins(s)) : undefined"
            :aria-valuetext="movable(s) ? day(begins(s)) : undefined"
            :aria-label="`${g.name}, begun ${day(begins(s))}, ${s.plant_out && s.method === 'raised' ? `planted out ${day(s.plant_out)}, ` : ''}${s.first_pick ? `picked ${day(s.first_pick)} to ${day(s.last_pick)}` : 'not picked'}`"
            @keydown="onKey($event, s)"
            @pointerdown="down($event, s)"
            @pointermove="drag"
            @pointerup="drop"
            @pointercancel="held = undefined"
          >
            <span class="bars" :style="{ transform: `translateX(${aside(s)}%)` }">
              <i
                v-if="s.method === 'raised' && s.plant_out"
                class="indoors"
                :style="{ left: x(s.date) + '%', width: width(s.date, s.plant_out) + '%' }"
              />
              <i class="grows" :style="{ left: x(ground(s)) + '%', width: width(ground(s), grown(s)) + '%' }" />
              <i
                v-if="s.first_pick && s.last_pick"
                class="picked"
                :style="{ left: x(s.first_pick) + '%', width: width(s.first_pick, s.last_pick) + '%' }"
              />
            </span>
          </div>
        </div>
        <SowingPanel v-if="shown === s.id" :sowing="s" ribbon class="opened" />
      </template>
    </section>
    <span v-if="today > 0 && today < 100" class="time-grid today" aria-hidden="true"
      ><span></span><span class="axis"><i :style="{ left: today + '%' }" /></span
    ></span>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="hint small quiet no-print">
      Move a line with ← and → (a week with Shift), or draw it; Enter opens it. The rest is reckoned around what you
      hold.
    </p>
    <p class="key small quiet">
      <i class="window" /> may be begun <i class="indoors" /> indoors <i class="grows" /> in the ground
      <i class="picked" /> picked or lifted <span class="frost-mark">✱</span> median frosts
    </p>
  </div>
</template>

<style scoped>
.time {
  position: relative;
  isolation: isolate;
}
.time-grid {
  display: grid;
  grid-template-columns: minmax(8rem, 13rem) minmax(0, 1fr);
  column-gap: 0.7rem;
  align-items: center;
}
.axis {
  position: relative;
  height: 100%;
  min-height: 13px;
}
.scale {
  border-bottom: 1px solid var(--ink-2);
  font-size: 0.76rem;
  color: var(--ink-2);
  position: sticky;
  top: 3.75rem;
  background: var(--paper);
  z-index: 4;
}
.scale .axis {
  height: 2.1rem;
}
.month {
  position: absolute;
  bottom: 0;
  border-left: 1px solid var(--hair-2);
  padding-left: 2px;
  white-space: nowrap;
}
.month b {
  position: absolute;
  left: 0;
  bottom: 1.05rem;
  color: var(--ink);
}
.frost {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  color: var(--freezer);
}
.heat {
  position: absolute;
  top: 1px;
  transform: translateX(-50%);
  color: var(--accent);
}
.head {
  margin-top: 0.35rem;
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
.line {
  border-bottom: 1px solid var(--hair);
}
.line.chosen,
.line:hover {
  background: color-mix(in srgb, var(--wash) 55%, transparent);
}
.bars {
  position: absolute;
  inset: 0;
}
.movable {
  cursor: ew-resize;
  touch-action: pan-y;
}
.axis:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
.held .bars i {
  box-shadow: 0 2px 0 0 var(--ink);
}
.risked .bars i {
  opacity: 0.55;
}
.mark {
  margin-left: 0.4rem;
  color: var(--ink);
  font-style: italic;
}
.opened {
  margin-left: 0.4rem;
}
.for {
  text-align: left;
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-variant-numeric: tabular-nums;
}
.for b {
  display: inline-block;
  width: 3.6rem;
  font-weight: 600;
  color: var(--ink);
}
.for b.warn {
  color: var(--accent);
}
.axis i {
  position: absolute;
  top: 3px;
  height: 9px;
}
.indoors {
  border: 1px dashed var(--ink-2);
  border-right: 0;
}
.grows {
  background: color-mix(in srgb, var(--fresh) 28%, var(--paper));
}
.picked {
  background: var(--fresh);
}
.why {
  padding: 0.1rem 0 0.3rem 0.8rem;
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
  padding-top: 0.5rem;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.5rem;
  align-items: center;
  padding-top: 0.6rem;
}
.key i {
  position: static;
  display: inline-block;
  width: 22px;
  height: 9px;
  margin-left: 0.8rem;
}
.frost-mark {
  color: var(--freezer);
  margin-left: 0.8rem;
}
@container leaf (max-width: 620px) {
  .time-grid {
    grid-template-columns: 6.4rem minmax(0, 1fr);
    column-gap: 0.4rem;
  }
  .month b {
    display: none;
  }
  .month:nth-child(even) {
    color: transparent;
  }
  .for b {
    width: 3.1rem;
  }
  .scale {
    position: static;
  }
}
</style>
