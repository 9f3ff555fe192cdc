<script setup lang="ts">
// The year of a place: the band from mean lowest to mean highest, the chance of
// frost, the length of day, and this year’s days that have been.
import { scaleLinear } from 'd3-scale'
import { computed, shallowRef, watch } from 'vue'
import { api, type Place, type PlaceChart } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { monthNames } from '../../lib/words'
import { fixed } from '../../lib/numbers'

const props = defineProps<{ place: Place }>()
const store = useHousehold()
const { shown } = useUnits()
const width = 600
const height = 190
const foot = 16 // room for the months
/** The place as it is typed. */
function typed(): Place {
  const place = JSON.parse(JSON.stringify(props.place)) as Place
  if (place.frost_free) place.last_frost = place.first_frost = ''
  return place
}
const { data } = useAnswer('place-chart', typed, (body, signal) => api.POST('/place-chart', { body, signal }))
// While something in it cannot be, the last drawing stays.
const chart = shallowRef<PlaceChart>()
watch(data, (c) => c && (chart.value = c), { immediate: true })

const been = computed(() => {
  const year = store.plan?.as_of.slice(0, 4)
  return (store.household?.weather ?? []).filter((d) => d.date.slice(0, 4) === year)
})
const range = computed(() => {
  const all = [...(chart.value?.max ?? []), ...(chart.value?.min ?? []), ...been.value.flatMap((d) => [d.max, d.min])]
  return { low: Math.floor(Math.min(0, ...all) / 5) * 5, high: Math.ceil(Math.max(10, ...all) / 5) * 5 }
})
const floor = height - foot
const y = computed(() => scaleLinear([range.value.low, range.value.high], [floor, 6]))
/** The values of the chart stand five days apart. */
const x = scaleLinear([0, 73], [0, width])
const path = (v: number[], to: (v: number) => number) =>
  v.map((n, i) => `${i ? 'L' : 'M'}${x(i).toFixed(1)} ${to(n).toFixed(1)}`).join('')

const band = computed(() => {
  const c = chart.value
  if (!c) return ''
  const back = [...c.min].map((n, i) => `L${x(i).toFixed(1)} ${y.value(n).toFixed(1)}`).reverse()
  return path(c.max, y.value) + back.join('') + 'Z'
})
/** The chance of frost takes the whole height where it is certain. */
const frost = computed(() => {
  const c = chart.value
  if (!c || !c.frost.some((f) => f > 0)) return ''
  return (
    `M0 ${floor}` +
    c.frost.map((f, i) => `L${x(i).toFixed(1)} ${(floor - f * (floor - 6)).toFixed(1)}`).join('') +
    `L${width} ${floor}Z`
  )
})
/** Hours of day, from 4 at the foot to 20 at the head. */
const hour = scaleLinear([4, 20], [floor, 6])
const light = computed(() => (chart.value ? path(chart.value.light, hour) : ''))
const dayOfYear = (iso: string) => (Date.parse(iso) - Date.parse(iso.slice(0, 4) + '-01-01')) / 86400000
const real = computed(() =>
  been.value.map((d) => ({ x: (dayOfYear(d.date) / 365) * width, a: y.value(d.max), b: y.value(d.min), date: d.date })),
)

const lines = computed(() => y.value.ticks(5))
const words = (c: number) => {
  const s = shown('°C')
  return `${Math.round(c * s.factor + s.offset)}°`.replace('-', '−')
}
const extremes = computed(() => {
  const l = chart.value?.light ?? []
  return l.length ? `${fixed(Math.min(...l), 1)} to ${fixed(Math.max(...l), 1)} h` : ''
})
</script>

<template>
  <figure v-if="chart" class="place-chart">
    <svg
      class="chart"
      :viewBox="`0 0 ${width + 30} ${height}`"
      role="img"
      :aria-label="`The year's temperatures, the chance of frost, and days of ${extremes}`"
    >
      <path :d="frost" class="frost" />
      <g v-for="t in lines" :key="t">
        <line x1="0" :x2="width" :y1="y(t)" :y2="y(t)" :class="{ zero: t === 0 }" class="rule" />
        <text :x="width + 4" :y="y(t) + 4">{{ words(t) }}</text>
      </g>
      <path :d="band" class="band" />
      <line v-for="d in real" :key="d.date" :x1="d.x" :x2="d.x" :y1="d.a" :y2="d.b" class="real" />
      <path :d="light" class="light" />
      <text v-for="(m, i) in monthNames" :key="m" :x="((i + 0.5) / 12) * width" :y="height - 3" text-anchor="middle">
        {{ m.slice(0, 3) }}
      </text>
    </svg>
    <figcaption class="small quiet">
      <span><i class="key-band" /> average low to average high</span>
      <span><i class="key-frost" /> chance of frost</span>
      <span><i class="key-light" /> length of day, {{ extremes }}</span>
      <span v-if="real.length"><i class="key-real" /> this year’s days</span>
      <b>{{ chart.frost_free === 365 ? 'No frost' : `${chart.frost_free} days without frost` }}</b>
    </figcaption>
  </figure>
</template>

<style scoped>
.place-chart {
  margin: 0 0 var(--space-4);
}
.chart {
  width: 100%;
  display: block;
}
.frost {
  fill: color-mix(in srgb, var(--freezer) 22%, transparent);
}
.band {
  fill: color-mix(in srgb, var(--cellar) 55%, transparent);
  stroke: var(--cellar);
  stroke-width: 1;
}
.real {
  stroke: var(--ink);
  stroke-width: 1;
  opacity: 0.75;
}
.light {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.6;
  stroke-dasharray: 5 3;
}
.rule {
  stroke: var(--hair);
}
.rule.zero {
  stroke: var(--freezer);
  stroke-dasharray: 4 3;
}
text {
  font-size: var(--type-tiny);
  fill: var(--ink-2);
  font-family: var(--sans);
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
  align-items: center;
}
figcaption span {
  white-space: nowrap;
  margin-right: var(--space-4);
}
figcaption i {
  display: inline-block;
  width: 16px;
  height: 9px;
}
figcaption b {
  margin-left: auto;
  color: var(--ink);
}
.key-band {
  background: color-mix(in srgb, var(--cellar) 55%, transparent);
  border: 1px solid var(--cellar);
}
.key-frost {
  background: color-mix(in srgb, var(--freezer) 22%, transparent);
}
figcaption .key-light {
  vertical-align: middle;
  height: 0;
  border-top: 2px dashed var(--accent);
}
.key-real {
  background: repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 3px);
}
</style>
