<script setup lang="ts">
// The day of the ground that is shown, and how much of it is taken then.
import { computed } from 'vue'
import type { Layout } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { useHousehold } from '../../lib/household'
import { dayNumber, fullDay, isoDay, monthNames } from '../../lib/words'
import DateField from '../../parts/DateField.vue'

const props = defineProps<{
  days: number
  day: string
  week: Layout['weeks'][number] | undefined
  owned: number | undefined
}>()
defineEmits<{ step: [days: number] }>()
/** The day, counted from the first that is shown. */
const at = defineModel<number>({ required: true })
const { say } = useUnits()
const store = useHousehold()
const today = computed(() => store.plan?.as_of ?? '')
/** The months under the ruler, each at its first day. */
const months = computed(() => {
  const first = dayNumber(props.day) - at.value
  const out: { x: number; name: string }[] = []
  for (let d = first; d < first + props.days; d++) {
    const iso = isoDay(d)
    const x = (100 * (d - first)) / Math.max(1, props.days - 1)
    if (iso.endsWith('-01') && x < 97) out.push({ x, name: monthNames[Number(iso.slice(5, 7)) - 1]!.slice(0, 3) })
  }
  return out
})

/** Shows a day, the nearest that is drawn. */
function show(day: string) {
  if (day) at.value = Math.max(0, Math.min(props.days - 1, at.value + dayNumber(day) - dayNumber(props.day)))
}
</script>

<template>
  <div class="scrub">
    <button type="button" class="link" aria-label="A week back" @click="$emit('step', -7)">‹</button>
    <span class="ruler">
      <input v-model.number="at" type="range" min="0" :max="days - 1" step="1" aria-label="The day that is shown" />
      <span class="months" aria-hidden="true"
        ><i v-for="m in months" :key="m.x" :style="{ left: m.x + '%' }">{{ m.name }}</i></span
      >
    </span>
    <button type="button" class="link" aria-label="A week forward" @click="$emit('step', 7)">›</button>
    <b class="when">{{ fullDay(day) }}</b>
    <span class="to no-print">
      <DateField :model-value="day" label="Show the day" @update:model-value="(d: string) => show(d)" />
      <button type="button" class="link small" :disabled="day === today" @click="show(today)">Today</button>
    </span>
    <span v-if="week && owned" class="quiet small taken"
      >{{ say(week.taken, 'm²') }} taken of {{ say(owned, 'm²')
      }}<template v-if="week.short > 0.05"
        >, <span class="warn">{{ say(week.short, 'm²') }} short</span></template
      ></span
    >
  </div>
</template>

<style scoped>
.scrub {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
  align-items: center;
}
.ruler {
  flex: 1 1 14rem;
  position: relative;
  padding-bottom: var(--type-small);
}
.ruler input {
  appearance: none;
  display: block;
  width: 100%;
  height: 1.5rem;
  margin: 0;
  background: linear-gradient(var(--ink-2), var(--ink-2)) center / 100% 1px no-repeat;
  cursor: ew-resize;
}
.ruler input::-webkit-slider-thumb {
  appearance: none;
  width: 0.55rem;
  height: 1.5rem;
  border: 0;
  background: var(--accent);
}
.ruler input::-moz-range-thumb {
  width: 0.55rem;
  height: 1.5rem;
  border: 0;
  border-radius: 0;
  background: var(--accent);
}
.months i {
  position: absolute;
  bottom: 0;
  padding-left: var(--space-1);
  border-left: 1px solid var(--hair-2);
  font-style: normal;
  font-size: var(--type-tiny);
  line-height: 1.1;
  color: var(--ink-2);
  pointer-events: none;
}
@container leaf (max-width: 620px) {
  .months i:nth-child(even) {
    display: none; /* there is room for every second name only */
  }
}
.when {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  min-width: 7.5rem;
}
.to {
  display: inline-flex;
  gap: var(--space-4);
  align-items: center;
}
.to .el-input {
  width: 9.5rem;
}
.taken {
  min-width: 15rem;
}
</style>
