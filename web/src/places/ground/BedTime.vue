<script setup lang="ts">
// The beds over the year: one band a bed, its length from top to bottom, the days
// from left to right. Relays and empty stretches are seen. A planting is moved to
// another bed by dragging it, or by keys.
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { timeScale } from '../../lib/timescale'
import { useUnits } from '../../lib/units'
import { count, day as words, isoDay } from '../../lib/words'
import { useHeldPiece } from './hold'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; from: number; to: number; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; day: [iso: string]; pick: [planting: string] }>()
const ground = useGround()
const moving = useMoving()
const take = useHeldPiece(() => props.beds)
const { say, render } = useUnits()
const scale = computed(() => timeScale(props.from, Math.max(props.from + 1, props.to), 1000))
const height = 46

function box(b: Bed, at: number, length: number, from: string | undefined, to: string) {
  const begin = from ?? isoDay(props.from)
  return {
    x: scale.value.x(begin),
    w: scale.value.span(begin, to, 1.5),
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
  emit('day', isoDay(scale.value.dayAt(((e.clientX - r.left) / r.width) * 1000)))
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
        <span v-for="m in scale.months(12)" :key="m.at" :style="{ left: m.at / 10 + '%' }">{{ m.name }}</span>
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
          <line class="now" :x1="scale.x(day)" :x2="scale.x(day)" y1="0" :y2="height" />
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
  gap: var(--space-4);
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
  font-size: var(--type-small);
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
  font-size: var(--type-tiny);
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
