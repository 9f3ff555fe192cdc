<script setup lang="ts">
// How many sowings nobody has put down, and the way to the page that catches up with them.
import { computed } from 'vue'
import { undone } from '../../lib/daybook'
import { useHousehold } from '../../lib/household'
import { count, day } from '../../lib/words'

const store = useHousehold()
const behind = computed(() => (store.plan ? undone(store.plan) : []))
const gone = computed(() => behind.value.filter((u) => !u.counts).length)
const words = computed(() => {
  const n = behind.value.length
  const first = `from ${day(behind.value[0]?.date)} on ${n === 1 ? 'was' : 'were'} not recorded`
  if (!gone.value) return first
  const all = gone.value === n
  return `${first}${all ? ' and' : `; ${gone.value} of them`} ${gone.value === 1 ? 'is' : 'are'} no longer counted`
})
</script>

<template>
  <p v-if="behind.length" class="behind" role="status">
    <b>{{ count(behind.length, 'sowing') }}</b> {{ words }}. <RouterLink to="/daybook/catch-up">Catch up</RouterLink>
  </p>
</template>

<style scoped>
.behind {
  padding: var(--space-3) var(--space-4);
  border-left: 3px solid var(--accent);
}
</style>
