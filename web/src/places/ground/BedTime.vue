<script setup lang="ts">
// The beds over the year: one band a bed, its length from top to bottom, the days
// from left to right. Relays and empty stretches are seen. A planting is moved to
// another bed by dragging it, or by keys.
import { computed, ref } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count, day as words, dayNumber, isoDay, monthShort } from '../../lib/words'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; from: number; to: number; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; day: [iso: string]; pick: [planting: string] }>()
const ground = useGround()
const moving = useMoving()
const { say, render } = useUnits()
const days = computed(() => Math.max(1, props.to - props.from))
const x = (iso: string) => Math.max(0, Math.min(1000, ((dayNumber(iso) - props.from) / days.value) * 1000))
const height = 46

const months = computed(() => {
  const out: { at: number; name: string }[] = []
  for (let n = props.from; n < props.to; n++) {
    const iso = isoDay(n)
    if (iso.endsWith('-01') && n < props.to - 12)
      out.push({ at: ((n - props.from) / days.value) * 100, name: monthShort(iso) })
  }
  return out
})
function box(b: Bed, at: number, length: number, from: string | undefined, to: string) {
  const left = from ? x(from) : 0
  return {
    x: left,
    w: Math.max(1.5, x(to) - left),
    y: (at / b.length) * height,
    h: Math.max(1.5, (length / b.length) * height),
  }
}
const bands = computed(() =>
  props.beds.map((b) => ({
    b,
    stands: (b.stands ?? []).map((s) => ({ s, ...box(b, s.at, s.length, undefined, s.until) })),
    green: (b.green ?? []).map((g) => ({ g, ...box(b, g.at, g.length, g.sown, g.until) })),
    parts: props.pieces
      .filter((p) => p.bed === b.id)
      .map((p) => ({ p, ...box(b, p.at, p.length, p.from, p.to), name: ground.names.get(p.planting) ?? '' })),
  })),
)
const ghost = computed(() => {
  const b = moving.target
  const p = props.pieces.find((q) => q.planting === moving.sowing)
  return b && p ? box(b, moving.at, moving.length || p.length, p.from, p.to) : undefined
})
function pick(e: MouseEvent) {
  const r = (e.currentTarget as SVGElement).getBoundingClientRect()
  emit('day', isoDay(Math.round(props.from + ((e.clientX - r.left) / r.width) * days.value)))
}

// By hand: a piece is taken hold of and held over another bed. Only when it has
// been moved a little is it a move and not a press.
const held = ref<{ p: Piece; x: number; y: number; grip: number; moved: boolean }>()
function take(p: Piece, e: PointerEvent) {
  if (p.with || e.button || e.pointerType === 'touch') return // a finger scrolls; the card moves it too
  const band = (e.currentTarget as Element).closest('svg')!.getBoundingClientRect()
  const b = props.beds.find((b) => b.id === p.bed)!
  const at = ((e.clientY - band.top) / band.height) * b.length
  held.value = { p, x: e.clientX, y: e.clientY, grip: at - p.at, moved: false }
  window.addEventListener('pointermove', drag)
  window.addEventListener('pointerup', drop, { once: true })
}
function drag(e: PointerEvent) {
  const h = held.value
  if (!h) return
  if (!h.moved && Math.hypot(e.clientX - h.x, e.clientY - h.y) > 5) {
    h.moved = true
    void moving.begin(h.p)
  }
  const band = document.elementFromPoint(e.clientX, e.clientY)?.closest('[data-band]')
  const b = props.beds.find((b) => b.id === band?.getAttribute('data-band'))
  const svg = band?.querySelector('svg')?.getBoundingClientRect()
  if (h.moved && b && svg) moving.over(b.id, ((e.clientY - svg.top) / svg.height) * b.length - h.grip)
}
function drop() {
  window.removeEventListener('pointermove', drag)
  const h = held.value
  held.value = undefined
  if (!h?.moved) return
  if (moving.bed === h.p.bed && Math.abs(moving.at - h.p.at) < 0.05) moving.leave()
  // Where the rules let it lie it is put; else it stays in hand, with what they say.
  else if (moving.verdict === 'free' || moving.verdict === 'room') void moving.put(false)
}
function keys(p: Piece, e: KeyboardEvent) {
  if (e.key === 'Enter') emit('pick', p.planting)
  else if (e.key === 'm') void moving.begin(p)
  else return
  e.preventDefault()
  e.stopPropagation()
}
</script>

<template>
  <div class="bedtime">
    <div class="row scale" aria-hidden="true">
      <span></span>
      <div class="axis">
        <span v-for="m in months" :key="m.at" :style="{ left: m.at + '%' }">{{ m.name }}</span>
      </div>
    </div>
    <div v-for="d in bands" :key="d.b.id" class="row" :class="{ chosen: d.b.id === chosen }" :data-band="d.b.id">
      <button type="button" class="plain name" @click="emit('choose', d.b.id)">
        {{ d.b.name }}<span class="quiet small">{{ say(d.b.length, 'm') }}</span>
      </button>
      <div class="band">
        <svg
          :viewBox="`0 0 1000 ${height}`"
          preserveAspectRatio="none"
          role="group"
          :aria-label="`${d.b.name} through the year`"
          @click="pick"
        >
          <rect class="free" width="1000" :height="height" />
          <rect
            v-for="s in d.stands"
            :key="s.s.name + s.s.at"
            class="stands"
            :x="s.x"
            :y="s.y"
            :width="s.w"
            :height="s.h"
          >
            <title>{{ s.s.name }} stands here until {{ words(s.s.until) }}</title>
          </rect>
          <rect
            v-for="(q, n) in d.green"
            :key="n"
            class="stands green"
            :class="{ under: q.g.under }"
            :x="q.x"
            :y="q.y"
            :width="q.w"
            :height="q.h"
          >
            <title>{{ q.g.name }}, a green manure, from {{ words(q.g.sown) }} to {{ words(q.g.until) }}</title>
          </rect>
          <rect
            v-for="q in d.parts"
            :key="q.p.planting + q.p.at"
            class="part"
            :class="{ faulty: q.p.faults?.length, held: q.p.held, bent: q.p.bent, shared: q.p.with }"
            :data-part="q.p.planting"
            :x="q.x"
            :y="q.y"
            :width="q.w"
            :height="q.h"
            tabindex="0"
            role="button"
            :aria-label="`${q.name} in ${d.b.name}, ${words(q.p.from)} to ${words(q.p.to)}`"
            @click.stop="emit('pick', q.p.planting)"
            @keydown="keys(q.p, $event)"
            @pointerdown="take(q.p, $event)"
          >
            <title>
              {{ q.name }}: {{ count(q.p.planted, 'plant') }} on {{ say(q.p.length, 'm') }}, {{ words(q.p.from) }} to
              {{ words(q.p.to) }}{{ q.p.faults?.length ? '; ' + render(q.p.faults.join(', ')) : '' }}
            </title>
          </rect>
          <rect
            v-if="ghost && moving.bed === d.b.id"
            class="ghost"
            :class="moving.verdict"
            :x="ghost.x"
            :y="ghost.y"
            :width="ghost.w"
            :height="ghost.h"
          />
          <line class="now" :x1="x(day)" :x2="x(day)" y1="0" :y2="height" />
        </svg>
        <div class="names" aria-hidden="true">
          <span
            v-for="q in d.parts.filter((q) => q.h > 12 && q.w > 14 * q.name.length)"
            :key="q.p.planting + q.p.at"
            :style="{ left: q.x / 10 + '%', width: q.w / 10 + '%', top: q.y + q.h / 2 + 'px' }"
            >{{ q.name }}</span
          >
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: 0.6rem;
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: 2px 0;
}
.name {
  text-align: left;
  font-family: var(--serif);
  font-weight: 600;
  line-height: 1.1;
}
.name .small {
  display: block;
  font-family: var(--sans);
  font-weight: 400;
}
.chosen .name {
  color: var(--accent);
}
svg {
  width: 100%;
  height: 46px;
  display: block;
}
.band {
  position: relative;
}
.names {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.names span {
  position: absolute;
  transform: translateY(-50%);
  padding-left: 6px;
  font-family: var(--serif);
  font-size: 0.85rem;
  line-height: 1;
  white-space: nowrap;
  overflow: hidden;
  box-sizing: border-box;
}
.free {
  fill: var(--sheet);
}
.stands {
  fill: var(--wash);
  stroke: var(--ink-2);
  stroke-dasharray: 4 3;
  vector-effect: non-scaling-stroke;
}
.green {
  fill: color-mix(in srgb, var(--fresh) 22%, var(--paper));
  stroke-dasharray: 1 3;
}
.green.under {
  fill: none;
}
.part {
  fill: color-mix(in srgb, var(--fresh) 40%, var(--sheet));
  stroke: var(--paper);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  cursor: grab;
  outline: none;
}
.part:hover,
.part:focus-visible {
  fill: var(--fresh);
  stroke: var(--ink);
}
.part.faulty {
  fill: color-mix(in srgb, var(--cellar) 60%, var(--sheet));
}
.part.shared {
  fill: color-mix(in srgb, var(--freezer) 45%, var(--sheet));
}
.part.held {
  stroke: var(--ink);
  stroke-width: 2;
}
.part.bent {
  stroke: var(--accent);
  stroke-width: 2;
  stroke-dasharray: 5 3;
}
.ghost {
  fill: color-mix(in srgb, var(--ink) 12%, transparent);
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.ghost.no,
.ghost.bend {
  stroke: var(--accent);
  stroke-dasharray: 4 3;
}
.now {
  stroke: var(--accent);
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.scale {
  border-bottom: 1px solid var(--ink-2);
}
.axis {
  position: relative;
  height: 1.1rem;
  font-size: 0.76rem;
  color: var(--ink-2);
}
.axis span {
  position: absolute;
  border-left: 1px solid var(--hair-2);
  padding-left: 2px;
}
@container leaf (max-width: 620px) {
  .row {
    grid-template-columns: 4.6rem minmax(0, 1fr);
  }
  .axis span:nth-child(even) {
    color: transparent;
  }
}
</style>
