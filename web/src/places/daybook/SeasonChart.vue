<script setup lang="ts">
// The weeks of a food's picking: what was expected with its band, and what came in.
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { FoodSeason } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { day, dayNumber } from '../../lib/words'

const props = defineProps<{ season: FoodSeason; today: string }>()
const { say } = useUnits()
const figure = ref<HTMLElement>()
/** As wide as there is room, so that its words keep their size. */
const { width: room } = useElementSize(figure)
const width = computed(() => Math.min(760, room.value || 340))
const height = 170
const foot = 22

const most = computed(() => Math.max(0.001, ...props.season.weeks.map((w) => Math.max(w.high, w.picked))))
const step = computed(() => Math.min(46, width.value / Math.max(1, props.season.weeks.length)))
const up = (kg: number) => height - (kg / most.value) * (height - 8)
const middle = (i: number) => (i + 0.5) * step.value
const points = (of: (i: number) => number) =>
  props.season.weeks.map((_, i) => `${middle(i).toFixed(1)},${up(of(i)).toFixed(1)}`)
const band = computed(() =>
  [...points((i) => props.season.weeks[i]!.high), ...points((i) => props.season.weeks[i]!.low).reverse()].join(' '),
)
const line = computed(() => points((i) => props.season.weeks[i]!.expected).join(' '))
/** Where today lies; outside of the weeks shown it is not marked. */
const now = computed(() => {
  const first = props.season.weeks[0]?.from
  if (!first) return -1
  return ((dayNumber(props.today) - dayNumber(first) + 0.5) / 7) * step.value
})
/** A date under so many weeks that they do not run together. */
const dates = computed(() => {
  const apart = Math.max(1, Math.ceil(64 / step.value))
  return props.season.weeks.map((w, i) => ({ i, from: w.from })).filter(({ i }) => i % apart === 0)
})
</script>

<template>
  <figure ref="figure">
    <svg :viewBox="`0 -14 ${width} ${height + foot + 14}`" role="img" :aria-label="`Picking of ${season.food} by week`">
      <polygon :points="band" class="band" />
      <g v-for="(w, i) in season.weeks" :key="w.from">
        <rect
          v-if="w.picked > 0"
          :x="middle(i) - step * 0.3"
          :y="up(w.picked)"
          :width="step * 0.6"
          :height="height - up(w.picked)"
          class="picked"
        />
        <rect :x="middle(i) - step / 2" y="0" :width="step" :height="height" class="over">
          <title>
            Week of {{ day(w.from) }}: expected {{ say(w.expected, 'kg') }} ({{ say(w.low, 'kg') }} to
            {{ say(w.high, 'kg') }}){{ w.picked ? `, picked ${say(w.picked, 'kg')}` : '' }}
          </title>
        </rect>
      </g>
      <polyline :points="line" class="line" />
      <line x1="0" :x2="step * season.weeks.length" :y1="height" :y2="height" class="ground" />
      <g v-if="now >= 0 && now <= step * season.weeks.length">
        <line :x1="now" :x2="now" y1="-2" :y2="height" class="today" />
        <text :x="now" y="-5" text-anchor="middle" class="accent">today</text>
      </g>
      <text v-for="d in dates" :key="d.i" :x="middle(d.i)" :y="height + 15" text-anchor="middle">
        {{ day(d.from) }}
      </text>
      <text :x="step * season.weeks.length" y="-4" text-anchor="end">
        {{ say(most >= 10 ? Math.round(most) : most, 'kg') }} a week
      </text>
    </svg>
    <figcaption class="small quiet">
      Bars: what came in. Line: what is expected, before today by the plan, after today by what came in so far. The
      shaded band covers 8 years of 10.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: var(--space-4) 0;
}
svg {
  width: 100%;
  max-width: 760px;
  height: auto;
  display: block;
}
text {
  font-family: var(--sans);
  font-size: var(--type-small);
  fill: var(--ink-2);
}
.band {
  fill: var(--hair);
  opacity: 0.7;
}
.line {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.picked {
  fill: var(--fresh);
}
.over {
  fill: transparent;
}
.ground {
  stroke: var(--ink-2);
}
.today {
  stroke: var(--accent);
  stroke-dasharray: 3 3;
}
.accent {
  fill: var(--accent);
}
</style>
