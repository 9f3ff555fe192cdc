<script setup lang="ts">
// A load week by week as bars, with the line of what can be handled.
import { useUnits } from '../../lib/units'
import { useHousehold } from '../../lib/household'
import { day } from '../../lib/words'
import Figure from '../../parts/Figure.vue'

defineProps<{
  label: string
  values: number[]
  over?: number[]
  unit: string
  peak: number
  can?: number
  figure?: string
}>()
const { say } = useUnits()
const store = useHousehold()
const title = (v: number, w: number, unit: string) => `week of ${day(store.plan?.weeks[w])}: ${say(v, unit)}`
</script>

<template>
  <div class="year-grid strip">
    <div class="head">
      <span>{{ label }}</span>
      <span class="quiet small" @click.stop
        ><template v-if="can !== undefined"
          >can: <Figure :value="can" :unit="unit" :figure="figure" label="the kitchen can do" /> a week</template
        ><template v-else
          >most: <Figure :value="peak" :unit="unit" :figure="figure" :label="label + ' in the fullest week'" /> a
          week</template
        ></span
      >
    </div>
    <svg data-weeks viewBox="0 0 520 40" preserveAspectRatio="none" role="img" :aria-label="label + ' by week'">
      <template v-for="(v, w) in values" :key="w">
        <rect
          v-if="v > 0"
          class="load"
          :x="w * 10 + 1"
          :y="40 - (38 * v) / (peak || 1)"
          width="8"
          :height="(38 * v) / (peak || 1)"
        >
          <title>{{ title(v, w, unit) }}</title>
        </rect>
        <rect
          v-if="over?.[w]"
          class="over"
          data-over
          :x="w * 10 + 1"
          :y="40 - (38 * v) / (peak || 1)"
          width="8"
          :height="(38 * (over[w] ?? 0)) / (peak || 1)"
        />
      </template>
      <line
        v-if="can !== undefined"
        x1="0"
        x2="520"
        :y1="40 - (38 * can) / (peak || 1)"
        :y2="40 - (38 * can) / (peak || 1)"
      />
    </svg>
    <span></span>
  </div>
</template>

<style scoped>
.strip {
  align-items: end;
  padding-bottom: 0.4rem;
}
.head {
  display: flex;
  flex-direction: column;
  font-family: var(--serif);
  line-height: 1.2;
}
svg {
  width: 100%;
  height: 40px;
  border-bottom: 1px solid var(--hair-2);
}
.load {
  fill: var(--ink-2);
}
.over {
  fill: var(--accent);
}
line {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 5 3;
  vector-effect: non-scaling-stroke;
}
</style>
