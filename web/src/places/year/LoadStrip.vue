<script setup lang="ts">
// A load week by week as bars, with the line of what can be handled.
import Figure from '../../parts/Figure.vue'

const props = defineProps<{
  label: string
  values: number[]
  over?: number[]
  unit: string
  peak: number
  can?: number
  who?: string // can do so much
  figure?: string
}>()

/** The weeks as bars, in one path; with parts, only the top part of each. */
function bars(values: number[], parts?: number[]): string {
  const y = (v: number) => (40 - (38 * v) / (props.peak || 1)).toFixed(2)
  return values
    .map((v, w) => {
      const part = parts ? (parts[w] ?? 0) : v
      return part > 0 ? `M${w * 10 + 1} ${y(v - part)}V${y(v)}h8V${y(v - part)}z` : ''
    })
    .join('')
}
</script>

<template>
  <div class="year-grid strip">
    <div class="head">
      <span>{{ label }}</span>
      <span class="quiet small" @click.stop
        ><template v-if="can !== undefined"
          >limit: <Figure :value="can" :unit="unit" :figure="figure" :label="(who ?? 'the kitchen') + ' can do'" /> a
          week</template
        ><template v-else
          >highest week:
          <Figure :value="peak" :unit="unit" :figure="figure" :label="label + ' in the fullest week'" /> a
          week</template
        ></span
      >
    </div>
    <svg data-weeks viewBox="0 0 520 40" preserveAspectRatio="none" role="img" :aria-label="label + ' by week'">
      <path class="load" :d="bars(values)" />
      <path v-if="over?.some((v) => v > 0)" class="over" data-over :d="bars(values, over)" />
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
  padding-bottom: var(--space-4);
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
