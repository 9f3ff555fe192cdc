<script setup lang="ts">
// One bed over the year: what lies in it, and where something in hand would lie.
import type { Bed, Piece } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count, day as words } from '../../lib/words'

/** Where something is drawn: days from left to right in thousandths, the bed's length downwards. */
interface Box {
  x: number
  y: number
  w: number
  h: number
}
defineProps<{
  band: {
    b: Bed
    stands: (Box & { s: NonNullable<Bed['stands']>[number] })[]
    green: (Box & { g: NonNullable<Bed['green']>[number] })[]
    parts: (Box & { p: Piece; name: string })[]
  }
  ghost?: Box
  now: number
  height: number
}>()
const emit = defineEmits<{ pick: [planting: string]; point: [share: number]; take: [piece: Piece, e: PointerEvent] }>()
const ground = useGround()
const moving = useMoving()
const { say, render } = useUnits()

function point(e: MouseEvent) {
  const r = (e.currentTarget as SVGElement).getBoundingClientRect()
  emit('point', (e.clientX - r.left) / r.width)
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
  <div class="band">
    <svg
      :viewBox="`0 0 1000 ${height}`"
      preserveAspectRatio="none"
      role="group"
      :aria-label="`${band.b.name} through the year`"
      @click="point"
    >
      <rect class="free" width="1000" :height="height" />
      <rect
        v-for="s in band.stands"
        :key="s.s.name + s.s.at"
        class="stands"
        :x="s.x"
        :y="s.y"
        :width="s.w"
        :height="s.h"
      >
        <title>{{ s.s.name }} grows here until {{ words(s.s.until) }}</title>
      </rect>
      <rect
        v-for="(q, n) in band.green"
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
        v-for="q in band.parts"
        :key="q.p.planting + q.p.at"
        class="part"
        :class="{
          overdue: ground.stateOf(q.p.planting) === 'overdue',
          faulty: q.p.faults?.length,
          held: q.p.held,
          bent: q.p.bent,
          shared: q.p.with,
        }"
        :data-part="q.p.planting"
        :x="q.x"
        :y="q.y"
        :width="q.w"
        :height="q.h"
        tabindex="0"
        role="button"
        :aria-label="`${q.name} in ${band.b.name}, ${words(q.p.from)} to ${words(q.p.to)}`"
        @click.stop="$emit('pick', q.p.planting)"
        @keydown="keys(q.p, $event)"
        @pointerdown="$emit('take', q.p, $event)"
      >
        <title>
          {{ q.name }}: {{ count(q.p.planted, 'plant') }} on {{ say(q.p.length, 'm') }}, {{ words(q.p.from) }} to
          {{ words(q.p.to) }}{{ q.p.faults?.length ? '; ' + render(q.p.faults.join(', ')) : '' }}
        </title>
      </rect>
      <rect
        v-if="ghost"
        class="ghost"
        :class="moving.verdict"
        :x="ghost.x"
        :y="ghost.y"
        :width="ghost.w"
        :height="ghost.h"
      />
      <line class="now" :x1="now" :x2="now" y1="0" :y2="height" />
    </svg>
    <div class="names" aria-hidden="true">
      <span
        v-for="q in band.parts.filter((q) => q.h > 12 && q.w > 14 * q.name.length)"
        :key="q.p.planting + q.p.at"
        :style="{ left: q.x / 10 + '%', width: q.w / 10 + '%', top: q.y + q.h / 2 + 'px' }"
        >{{ q.p.faults?.length ? '△ ' : '' }}{{ q.name }}</span
      >
    </div>
  </div>
</template>

<style scoped>
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
  padding-left: var(--space-4);
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
.part.overdue {
  fill: color-mix(in srgb, var(--accent) 16%, var(--sheet));
  stroke: var(--accent);
}
.part.faulty {
  fill: url('#tex-drawback');
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
</style>
