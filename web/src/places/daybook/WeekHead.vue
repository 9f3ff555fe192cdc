<script setup lang="ts">
// The head of a week's tasks: its hours of work and, opened, what they are for.
import { computed, ref } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { dayNumber } from '../../lib/words'

const props = defineProps<{ name: string; from: string; busy: boolean }>()
const store = useHousehold()
const plan = computed(() => store.plan)
const open = ref(false)

/** The week of the table year that a day falls in. */
const week = computed(() => {
  const n = dayNumber(props.from) - dayNumber(plan.value?.weeks[0] ?? props.from)
  return Math.min(51, Math.floor((((n % 365) + 365) % 365) / 7))
})
const inHours = (h: number) => `${fixed(h, h < 10 ? 1 : 0)} h`
const hours = computed(() => {
  const h = props.from ? plan.value?.work.hours[week.value] : undefined
  if (h === undefined) return ''
  return `${inHours(h)} of work${plan.value?.work.can ? ` of ${plan.value.work.can}` : ''}`
})
/** Whether the week lies in the table year, to which its hours belong. */
const planned = computed(() => !!props.from && props.from >= (plan.value?.weeks[0] ?? props.from))
const tooMuch = computed(() => !!props.from && !!plan.value?.work.over.includes(week.value))
const shown = computed(() => !!hours.value && (props.busy || planned.value))

const { data } = useAnswer(
  'week',
  () => (open.value ? week.value : undefined),
  (n, signal) => api.GET('/week', { params: { query: { week: n } }, signal }),
)
/** What takes less than three minutes is not worth a line. */
const parts = computed(() => (data.value?.garden ?? []).filter((g) => g.hours >= 0.05))
</script>

<template>
  <h3 :class="{ warn: name === 'Overdue' }">
    {{ name }}
    <button
      v-if="shown"
      type="button"
      class="plain aside small"
      :class="{ warn: tooMuch }"
      :aria-expanded="open"
      :aria-label="`${hours}: what for`"
      @click="open = !open"
    >
      {{ hours }} <span aria-hidden="true">{{ open ? '▴' : '▾' }}</span>
    </button>
  </h3>
  <p v-if="open && parts.length" class="small for">
    <template v-for="(g, i) in parts" :key="g.do"
      >{{ i ? ' · ' : '' }}{{ g.do.toLowerCase() }} <b>{{ inHours(g.hours) }}</b></template
    >
    <span class="quiet"> (watering is not counted: it depends on the rain)</span>
  </p>
</template>

<style scoped>
button.aside {
  padding: 0;
}
.for {
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
</style>
