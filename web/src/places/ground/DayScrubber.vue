<script setup lang="ts">
// The day of the ground that is shown, and how much of it is taken then.
import { computed } from 'vue'
import type { Layout } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { useHousehold } from '../../lib/household'
import { dayNumber, fullDay } from '../../lib/words'
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

/** Shows a day, the nearest that is drawn. */
function show(day: string) {
  if (day) at.value = Math.max(0, Math.min(props.days - 1, at.value + dayNumber(day) - dayNumber(props.day)))
}
</script>

<template>
  <div class="scrub">
    <button type="button" class="link" aria-label="A week back" @click="$emit('step', -7)">‹</button>
    <input v-model.number="at" type="range" min="0" :max="days - 1" step="1" aria-label="The day that is shown" />
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
.scrub input {
  flex: 1 1 14rem;
  accent-color: var(--accent);
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
