<script setup lang="ts">
// The day of the ground that is shown, and how much of it is taken then.
import type { Layout } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { fullDay } from '../../lib/words'

defineProps<{ days: number; day: string; week: Layout['weeks'][number] | undefined; owned: number | undefined }>()
defineEmits<{ step: [days: number] }>()
/** The day, counted from the first that is shown. */
const at = defineModel<number>({ required: true })
const { say } = useUnits()
</script>

<template>
  <div class="scrub">
    <button type="button" class="link" aria-label="A week back" @click="$emit('step', -7)">‹</button>
    <input v-model.number="at" type="range" min="0" :max="days - 1" step="1" aria-label="The day that is shown" />
    <button type="button" class="link" aria-label="A week on" @click="$emit('step', 7)">›</button>
    <b class="when">{{ fullDay(day) }}</b>
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
.taken {
  min-width: 15rem;
}
</style>
