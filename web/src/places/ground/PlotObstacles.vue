<script setup lang="ts">
// What throws shadows on the plot, drawn at its edge towards where it stands, with its name and how
// far off it is: to scale most of it would lie outside the drawing.
import { computed } from 'vue'
import type { Obstacle } from '../../lib/api'
import { useUnits } from '../../lib/units'

const props = defineProps<{
  plot: { length: number; width: number; bearing: number }
  obstacles: Obstacle[]
  letter: number
}>()
const { say } = useUnits()

const drawn = computed(() =>
  props.obstacles.map((o) => {
    const { length, width, bearing } = props.plot
    const a = ((o.bearing - bearing) * Math.PI) / 180
    const off = props.letter * 0.7
    const [hx, hy] = [length / 2 + off, width / 2 + off]
    const [toSide, toEnd] = [hx / Math.max(1e-9, Math.abs(Math.sin(a))), hy / Math.max(1e-9, Math.abs(Math.cos(a)))]
    const upright = toSide < toEnd // it stands to the left or right
    const far = Math.min(toSide, toEnd)
    const half = Math.min(o.breadth, upright ? width : length) / 2
    const within = (v: number, most: number) => Math.max(half, Math.min(most - half, v))
    const x = length / 2 + Math.sin(a) * far
    const y = width / 2 - Math.cos(a) * far // y points up on the ground and down on the screen
    const at = upright ? { x, y: within(y, width) } : { x: within(x, length), y }
    // The name stands beyond the line.
    const out = props.letter * 0.75
    const name = upright
      ? { x: at.x + Math.sign(Math.sin(a)) * out, y: at.y }
      : { x: at.x, y: at.y - Math.sign(Math.cos(a)) * out }
    return {
      o,
      upright,
      name,
      line: upright
        ? { x1: at.x, x2: at.x, y1: at.y - half, y2: at.y + half }
        : { x1: at.x - half, x2: at.x + half, y1: at.y, y2: at.y },
    }
  }),
)
</script>

<template>
  <g v-for="d in drawn" :key="d.o.name" class="obstacle">
    <line v-bind="d.line" :stroke-width="letter * 0.5" />
    <text
      :x="d.name.x"
      :y="d.name.y"
      :font-size="letter * 0.9"
      :transform="d.upright ? `rotate(-90 ${d.name.x} ${d.name.y})` : undefined"
    >
      {{ d.o.name }}, {{ say(d.o.height, 'm') }} high, {{ say(d.o.distance, 'm') }} off
    </text>
  </g>
</template>

<style scoped>
line {
  stroke: var(--ink-2);
}
text {
  fill: var(--ink-2);
  font-family: var(--sans);
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
