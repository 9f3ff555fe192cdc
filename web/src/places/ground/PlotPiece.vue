<script setup lang="ts">
// One planting on the plot, its plants as they really stand.
import { computed } from 'vue'
import type { Piece } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import type { spots } from './spacing'

const props = defineProps<{
  piece: { p: Piece; name: string; x: number; y: number; w: number; h: number } & ReturnType<typeof spots>
  bed: string
  /** The height of a letter, m. */
  letter: number
  /** Whether it is only looked at, as on paper. */
  still?: boolean
}>()
defineEmits<{ pick: []; move: [] }>()
const ground = useGround()
const { say } = useUnits()
const q = computed(() => props.piece)
</script>

<template>
  <g
    :data-piece="q.p.planting"
    class="takes"
    :tabindex="still ? undefined : 0"
    role="button"
    :aria-label="`${q.name} in ${bed}`"
    @click.stop="$emit('pick')"
    @keydown.enter.prevent="$emit('pick')"
    @keydown.m.prevent.stop="$emit('move')"
  >
    <pattern :id="q.id" :x="q.x + q.px" :y="q.y + q.py" :width="q.pw" :height="q.ph" patternUnits="userSpaceOnUse">
      <circle v-for="(c, i) in q.dots" :key="i" :cx="c[0]" :cy="c[1]" :r="q.r" />
    </pattern>
    <rect
      class="piece"
      :class="[ground.stateOf(q.p.planting), { held: q.p.held && !q.p.stands, bent: q.p.bent, shared: q.p.with }]"
      :x="q.x"
      :y="q.y"
      :width="q.w"
      :height="q.h"
    >
      <title>
        {{ q.name }}, {{ count(q.p.planted, 'plant') }} on {{ say(q.p.length, 'm')
        }}{{ q.p.with ? `, between ${ground.names.get(q.p.with)}` : '' }}
      </title>
    </rect>
    <rect class="plants" :fill="`url(#${q.id})`" :x="q.x + q.fx" :y="q.y + q.fy" :width="q.fw" :height="q.fh" />
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
</template>

<style scoped>
.takes {
  cursor: pointer;
  outline: none; /* an outline is drawn in metres here; the edge shows the focus */
}
.takes:focus-visible .piece {
  stroke: var(--accent);
  stroke-width: 0.12;
}
.takes:focus-visible .piece,
.takes:hover .piece {
  fill: color-mix(in srgb, var(--fresh) 50%, var(--sheet));
}
.piece {
  fill: color-mix(in srgb, var(--fresh) 9%, var(--sheet));
  stroke: var(--fresh);
  stroke-width: 0.03;
}
.piece.stands {
  fill: color-mix(in srgb, var(--fresh) 32%, var(--sheet));
}
.piece.overdue {
  fill: color-mix(in srgb, var(--accent) 16%, var(--sheet));
  stroke: var(--accent);
}
.piece.shared {
  fill: none;
  stroke-dasharray: 0.12 0.12;
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
.plants {
  pointer-events: none;
}
circle {
  fill: color-mix(in srgb, var(--fresh) 70%, var(--sheet));
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
</style>
