<script setup lang="ts">
// The week in focus of the ledger, in words.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'

const props = defineProps<{ week: number; table: { fed: number[]; gaps: number[] } }>()
const store = useHousehold()
const { say } = useUnits()
const caption = computed(() => {
  if (props.week < 0) return ''
  const k = store.plan?.kitchen
  const t = props.table
  return [
    `week of ${day(store.plan?.weeks[props.week])}`,
    `${count(t.fed[props.week] ?? 0, 'food')} to eat`,
    t.gaps[props.week] ? count(t.gaps[props.week] ?? 0, 'gap') : '',
    k ? `${say(k.harvest_kg[props.week] ?? 0, 'kg')} in` : '',
    k && k.batches[props.week] ? `${say(k.batches[props.week] ?? 0, 'batches')} to put up` : '',
  ]
    .filter(Boolean)
    .join(' · ')
})
</script>

<template>
  <p class="caption small" role="status">{{ caption }}</p>
</template>

<style scoped>
.caption {
  min-height: 1.3rem;
  padding-top: var(--space-2);
}
</style>
