<script setup lang="ts">
// The scale bar and the arrow to the north under the plot.
import { computed } from 'vue'
import { useUnits } from '../../lib/units'

const props = defineProps<{ plot: { length: number; width: number; bearing: number }; letter: number; below: number }>()
const { shown } = useUnits()
/** A bar of a round length, about a quarter of the plot. */
const bar = computed(() => {
  const { factor, unit } = shown('m') // so many of the reader's units are a metre
  const wanted = (props.plot.length / 4) * factor
  const nice = [1, 2, 5, 10, 20, 50, 100, 200].filter((n) => n <= wanted).pop() ?? 1
  return { length: nice / factor, words: `${nice} ${unit}` }
})
</script>

<template>
  <g>
    <g :transform="`translate(0 ${plot.width + below + letter * 1.2})`" class="scale">
      <path
        :d="`M0 ${-letter * 0.4}v${letter * 0.8}M0 0h${bar.length}M${bar.length} ${-letter * 0.4}v${letter * 0.8}`"
        :stroke-width="letter / 9"
      />
      <text :x="bar.length + letter * 0.5" y="0" :font-size="letter">{{ bar.words }}</text>
    </g>
    <g
      :transform="`translate(${plot.length - letter * 2} ${plot.width + below + letter * 1.2}) rotate(${-plot.bearing})`"
      class="north"
    >
      <path
        :d="`M0 ${letter}L0 ${-letter * 0.9}M${-letter * 0.4} ${-letter * 0.3}L0 ${-letter}L${letter * 0.4} ${-letter * 0.3}`"
        :stroke-width="letter / 9"
      />
      <text :x="letter * 0.7" y="0" :font-size="letter">N</text>
    </g>
  </g>
</template>

<style scoped>
path {
  stroke: var(--ink);
  fill: none;
}
text {
  stroke: none;
  dominant-baseline: central;
  text-anchor: start;
  font-family: var(--sans);
  fill: var(--ink-2);
}
</style>
