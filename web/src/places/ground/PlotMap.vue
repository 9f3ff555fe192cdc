<script setup lang="ts">
// The plot to scale, with north and a scale bar: what stands in each bed on a day,
// its rows and blocks as really spaced.
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { usePlots } from '../../lib/plots'
import { useUnits } from '../../lib/units'
import PlotMarks from './PlotMarks.vue'
import PlotObstacles from './PlotObstacles.vue'
import PlotPiece from './PlotPiece.vue'
import { across, spots } from './spacing'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; chosen: string; still?: boolean }>()
const emit = defineEmits<{ choose: [id: string]; pick: [planting: string] }>()
const ground = useGround()
const moving = useMoving()
const { say } = useUnits()

const { plots } = usePlots()
/** The plot that the beds lie on, as it was measured. */
const measured = computed(() => plots.value.find((p) => p.id === (props.beds[0]?.plot ?? ''))?.plot)
const plot = computed(() => {
  const p = measured.value
  const x = Math.max(1, ...props.beds.map((b) => b.x + across(b)[0]))
  const y = Math.max(1, ...props.beds.map((b) => b.y + across(b)[1]))
  return { length: Math.max(p?.length ?? 0, x), width: Math.max(p?.width ?? 0, y), bearing: p?.bearing ?? 0 }
})
const letter = computed(() => Math.min(0.76, plot.value.length / 42))
const obstacles = computed(() => measured.value?.obstacles ?? [])
/** What is drawn around the plot: more where its obstacles are drawn there with their names. */
const pad = computed(() => plot.value.length * 0.02 + 0.4 + (obstacles.value.length ? letter.value * 1.8 : 0))
/** y points up on the ground and down on the screen. */
const top = (y: number, height: number) => plot.value.width - y - height

/** A stretch of a bed as a rectangle of the drawing. */
function box(b: Bed, at: number, length: number) {
  return b.turned
    ? { x: b.x, y: top(b.y + at, length), w: b.width, h: length }
    : { x: b.x + at, y: top(b.y, b.width), w: length, h: b.width }
}
// The beds and all their pieces are worked out once for a layout; a day shows or
// hides them.
const drawn = computed(() =>
  props.beds.map((b) => ({
    b,
    ...box(b, 0, b.length),
    pots:
      b.kind === 'containers' && b.count
        ? Array.from({ length: b.count - 1 }, (_, i) => box(b, ((i + 1) * b.length) / b.count!, 0))
        : [],
    stands: (b.stands ?? []).map((s) => ({ s, ...box(b, s.at, s.length) })),
    pieces: props.pieces
      .filter((p) => p.bed === b.id)
      .map((p, i) => ({
        p,
        ...box(b, p.at, p.length),
        name: ground.names.get(p.planting) ?? '',
        ...spots(p, b, `${b.id}-${i}`),
      })),
  })),
)
const now = computed(() =>
  drawn.value.map((d) => ({
    ...d,
    stands: d.stands.filter((s) => props.day < s.s.until),
    pieces: d.pieces.filter((q) => q.p.from <= props.day && props.day < q.p.to),
  })),
)
const ghost = computed(() =>
  moving.sowing && moving.target ? box(moving.target, moving.at, Math.max(0.2, moving.length)) : undefined,
)
</script>

<template>
  <svg
    class="plot"
    :viewBox="`${-pad} ${-pad} ${plot.length + 2 * pad} ${plot.width + 2 * pad + letter * 2.4}`"
    role="group"
    :aria-label="`The plot, ${say(plot.length, 'm')} by ${say(plot.width, 'm')}`"
  >
    <rect class="land" x="0" y="0" :width="plot.length" :height="plot.width" />
    <PlotObstacles :plot="plot" :obstacles="obstacles" :letter="letter" />
    <g
      v-for="d in now"
      :key="d.b.id"
      :data-plot-bed="d.b.id"
      :data-size="`${d.w} ${d.h}`"
      @click="emit('choose', d.b.id)"
    >
      <rect
        class="bed"
        :class="{ chosen: d.b.id === chosen, open: d.b.kind === 'open' }"
        :x="d.x"
        :y="d.y"
        :width="d.w"
        :height="d.h"
      />
      <path
        v-for="(q, i) in d.pots"
        :key="i"
        class="pot"
        :d="d.b.turned ? `M${q.x} ${q.y}h${q.w}` : `M${q.x} ${q.y}v${q.h}`"
      />
      <g v-for="s in d.stands" :key="s.s.name + s.s.at" data-stands>
        <rect class="stands" :x="s.x" :y="s.y" :width="s.w" :height="s.h">
          <title>{{ s.s.name }} grows here until {{ s.s.until }}</title>
        </rect>
        <text
          v-if="Math.max(s.w, s.h) > letter * s.s.name.length * 0.5"
          :x="s.x + s.w / 2"
          :y="s.y + s.h / 2"
          :font-size="letter"
          :transform="s.h > s.w ? `rotate(-90 ${s.x + s.w / 2} ${s.y + s.h / 2})` : undefined"
        >
          {{ s.s.name }}
        </text>
      </g>
      <PlotPiece
        v-for="q in d.pieces"
        :key="q.id"
        :piece="q"
        :bed="d.b.name"
        :letter="letter"
        :still="still"
        @pick="emit('pick', q.p.planting)"
        @move="moving.begin(q.p)"
      />
      <text
        class="label"
        :x="d.x"
        :y="d.y - 0.12"
        :font-size="letter * 0.9"
        :tabindex="still ? undefined : 0"
        role="button"
        :aria-label="`What is free in ${d.b.name}`"
        @keydown.enter.prevent.stop="emit('choose', d.b.id)"
      >
        {{ d.b.name }}
      </text>
    </g>
    <rect
      v-if="ghost"
      class="ghost"
      :class="moving.verdict"
      :x="ghost.x"
      :y="ghost.y"
      :width="ghost.w"
      :height="ghost.h"
    />
    <PlotMarks :plot="plot" :letter="letter" :below="pad - letter" />
  </svg>
</template>

<style scoped>
.plot {
  width: 100%;
  max-height: max(24rem, calc(100vh - 15rem));
  display: block;
}
.land {
  fill: none;
  stroke: var(--hair-2);
  stroke-width: 0.04;
}
.bed {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-width: 0.04;
  cursor: pointer;
}
.bed.open {
  stroke-dasharray: 0.4 0.2;
}
.bed.chosen {
  stroke: var(--accent);
  stroke-width: 0.12;
}
.pot {
  stroke: var(--hair-2);
  stroke-width: 0.03;
}
.stands {
  fill: var(--wash);
  stroke: var(--ink-2);
  stroke-width: 0.04;
  stroke-dasharray: 0.3 0.15;
}
.ghost {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.14;
  pointer-events: none;
}
.ghost.no,
.ghost.bend {
  stroke: var(--accent);
  stroke-dasharray: 0.3 0.2;
}
text {
  fill: var(--ink);
  font-family: var(--serif);
  text-anchor: middle;
  dominant-baseline: central;
  pointer-events: none;
  paint-order: stroke;
  stroke: color-mix(in srgb, var(--fresh) 16%, var(--sheet));
  stroke-width: 0.16;
  stroke-linejoin: round;
}
.label {
  stroke: none;
  fill: var(--ink-2);
  font-family: var(--sans);
  text-anchor: start;
  dominant-baseline: auto;
  pointer-events: auto;
  cursor: pointer;
  outline: none;
}
.label:hover,
.label:focus-visible {
  fill: var(--accent);
  text-decoration: underline;
}
</style>
