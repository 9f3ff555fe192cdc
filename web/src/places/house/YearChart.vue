<script setup lang="ts">
// The months of a place drawn as bars from mean lowest to mean highest, with
// the frost-free days shaded.
import { computed } from 'vue'
import type { Place } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { monthNames } from '../../lib/words'

const props = defineProps<{ place: Place }>()
const { shown } = useUnits()
const width = 600
const height = 130

const range = computed(() => {
  const all = [...props.place.mean_max, ...props.place.mean_min].filter((v) => Number.isFinite(v))
  return { low: Math.floor(Math.min(0, ...all) / 5) * 5, high: Math.ceil(Math.max(10, ...all) / 5) * 5 }
})
const y = (t: number) => 8 + (height - 24) * (1 - (t - range.value.low) / (range.value.high - range.value.low))

function x(day: string): number {
  const m = Number(day.slice(0, 2))
  const d = Number(day.slice(3, 5))
  return ((m - 1 + (d - 1) / 31) / 12) * width
}

const season = computed(() => {
  const p = props.place
  if (p.frost_free || !p.last_frost || !p.first_frost) return []
  const from = x(p.last_frost)
  const to = x(p.first_frost)
  return from < to
    ? [{ x: from, width: to - from }]
    : [
        { x: 0, width: to },
        { x: from, width: width - from },
      ]
})
const lines = computed(() => {
  const out = []
  for (let t = range.value.low; t <= range.value.high; t += 10) out.push(t)
  return out
})
const words = (c: number) => {
  const s = shown('°C')
  return `${Math.round(c * s.factor + s.offset)}°`.replace('-', '−')
}
</script>

<template>
  <svg
    class="chart"
    :viewBox="`0 0 ${width + 30} ${height}`"
    role="img"
    aria-label="The year's temperatures and the days without frost"
  >
    <rect v-for="(s, i) in season" :key="i" :x="s.x" y="4" :width="s.width" :height="height - 20" class="season" />
    <g v-for="t in lines" :key="t">
      <line x1="0" :x2="width" :y1="y(t)" :y2="y(t)" :class="{ zero: t === 0 }" class="rule" />
      <text :x="width + 4" :y="y(t) + 4">{{ words(t) }}</text>
    </g>
    <g v-for="(m, i) in monthNames" :key="m">
      <rect
        :x="(i / 12) * width + 8"
        :y="y(place.mean_max[i] ?? 0)"
        :width="width / 12 - 16"
        :height="Math.max(0, y(place.mean_min[i] ?? 0) - y(place.mean_max[i] ?? 0))"
        class="band"
      />
      <text :x="((i + 0.5) / 12) * width" :y="height - 3" text-anchor="middle">{{ m.slice(0, 3) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.chart {
  width: 100%;
  display: block;
  margin-bottom: 0.4rem;
}
.season {
  fill: color-mix(in srgb, var(--fresh) 16%, transparent);
}
.band {
  fill: var(--cellar);
}
.rule {
  stroke: var(--hair);
}
.rule.zero {
  stroke: var(--freezer);
  stroke-dasharray: 4 3;
}
text {
  font-size: 11px;
  fill: var(--ink-2);
  font-family: var(--sans);
}
</style>
