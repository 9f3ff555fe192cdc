<script setup lang="ts">
// The plot to scale, with north and a scale bar: what stands in each bed in one
// week.
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; pick: [planting: string] }>()
const store = useHousehold()
const { say, system } = useUnits()

const extent = (b: Bed) => (b.turned ? [b.width, b.length] : [b.length, b.width]) as [number, number]
const plot = computed(() => {
  const p = store.household?.plot
  const x = Math.max(1, ...props.beds.map((b) => b.x + extent(b)[0]))
  const y = Math.max(1, ...props.beds.map((b) => b.y + extent(b)[1]))
  return { length: Math.max(p?.length ?? 0, x), width: Math.max(p?.width ?? 0, y), bearing: p?.bearing ?? 0 }
})
const pad = computed(() => plot.value.length * 0.02 + 0.4)
/** y points up on the ground and down on the screen. */
const top = (y: number, height: number) => plot.value.width - y - height

const stands = computed(() => props.pieces.filter((p) => p.from <= props.day && props.day < p.to))
const names = computed(() => new Map((store.plan?.sowings ?? []).map((s) => [s.id, s.crop_name])))
const drawn = computed(() =>
  props.beds.map((b) => {
    const [w, h] = extent(b)
    return {
      b,
      x: b.x,
      y: top(b.y, h),
      w,
      h,
      pieces: stands.value
        .filter((p) => p.bed === b.id)
        .map((p) => ({
          p,
          x: b.turned ? b.x : b.x + p.at,
          y: b.turned ? top(b.y + p.at, p.length) : top(b.y, h),
          w: b.turned ? b.width : p.length,
          h: b.turned ? p.length : b.width,
          name: names.value.get(p.planting) ?? '',
        })),
    }
  }),
)
/** A bar of a round length, about a quarter of the plot. */
const bar = computed(() => {
  const foot = 0.3048
  const unit = system.value === 'us' ? foot : 1
  const wanted = plot.value.length / 4 / unit
  const nice = [1, 2, 5, 10, 20, 50, 100, 200].filter((n) => n <= wanted).pop() ?? 1
  return { length: nice * unit, words: system.value === 'us' ? `${nice} ft` : `${nice} m` }
})
const letter = computed(() => Math.min(0.62, plot.value.length / 42))
</script>

<template>
  <svg
    class="plot"
    :viewBox="`${-pad} ${-pad} ${plot.length + 2 * pad} ${plot.width + 2 * pad + letter * 3}`"
    role="img"
    :aria-label="`The plot, ${say(plot.length, 'm')} by ${say(plot.width, 'm')}`"
  >
    <rect class="land" x="0" y="0" :width="plot.length" :height="plot.width" />
    <g v-for="d in drawn" :key="d.b.id" :data-plot-bed="d.b.id" @click="emit('choose', d.b.id)">
      <rect class="bed" :class="{ chosen: d.b.id === chosen }" :x="d.x" :y="d.y" :width="d.w" :height="d.h" />
      <g
        v-for="q in d.pieces"
        :key="q.p.planting + q.p.at"
        :data-piece="q.p.planting"
        class="takes"
        tabindex="0"
        role="button"
        :aria-label="`${q.name} in ${d.b.name}`"
        @click.stop="emit('pick', q.p.planting)"
        @keydown.enter.prevent="emit('pick', q.p.planting)"
      >
        <rect class="piece" :class="{ held: q.p.held, bent: q.p.bent }" :x="q.x" :y="q.y" :width="q.w" :height="q.h">
          <title>{{ q.name }}, {{ q.p.planted }}, {{ say(q.p.length, 'm') }}</title>
        </rect>
        <text
          v-if="Math.max(q.w, q.h) > letter * q.name.length * 0.5"
          :x="q.x + q.w / 2"
          :y="q.y + q.h / 2"
          :font-size="letter"
          :transform="q.h > q.w ? `rotate(-90 ${q.x + q.w / 2} ${q.y + q.h / 2})` : undefined"
        >
          {{ q.name }}
        </text>
      </g>
      <text class="label" :x="d.x" :y="d.y - 0.12" :font-size="letter * 0.9">{{ d.b.name }}</text>
    </g>
    <g :transform="`translate(0 ${plot.width + letter * 1.6})`" class="scale">
      <path
        :d="`M0 ${-letter * 0.4}v${letter * 0.8}M0 0h${bar.length}M${bar.length} ${-letter * 0.4}v${letter * 0.8}`"
        :stroke-width="letter / 9"
      />
      <text :x="bar.length + letter * 0.5" y="0" :font-size="letter">{{ bar.words }}</text>
    </g>
    <g
      :transform="`translate(${plot.length - letter * 2} ${plot.width + letter * 1.6}) rotate(${-plot.bearing})`"
      class="north"
    >
      <path
        :d="`M0 ${letter}L0 ${-letter * 0.9}M${-letter * 0.4} ${-letter * 0.3}L0 ${-letter}L${letter * 0.4} ${-letter * 0.3}`"
        :stroke-width="letter / 9"
      />
      <text :x="letter * 0.7" y="0" :font-size="letter">N</text>
    </g>
  </svg>
</template>

<style scoped>
.plot {
  width: 100%;
  max-height: 62vh;
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
.bed.chosen {
  stroke: var(--accent);
  stroke-width: 0.12;
}
.takes {
  cursor: pointer;
}
.takes:focus-visible .piece,
.takes:hover .piece {
  fill: color-mix(in srgb, var(--fresh) 60%, var(--sheet));
}
.piece.held {
  stroke: var(--ink);
  stroke-width: 0.07;
}
.piece.bent {
  stroke: var(--accent);
  stroke-dasharray: 0.25 0.15;
  stroke-width: 0.09;
}
.piece {
  fill: color-mix(in srgb, var(--fresh) 34%, var(--sheet));
  stroke: var(--fresh);
  stroke-width: 0.03;
}
text {
  fill: var(--ink);
  font-family: var(--serif);
  text-anchor: middle;
  dominant-baseline: central;
  pointer-events: none;
}
.label {
  fill: var(--ink-2);
  font-family: var(--sans);
  text-anchor: start;
  dominant-baseline: auto;
}
.scale path,
.north path {
  stroke: var(--ink);
  fill: none;
}
.scale text,
.north text {
  text-anchor: start;
  font-family: var(--sans);
  fill: var(--ink-2);
}
</style>
