<script setup lang="ts">
// What the last edit did, or what went wrong; nothing typed is lost by either.
import { computed } from 'vue'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { capital } from '../lib/words'

const store = useHousehold()
const { render } = useUnits()
const words = computed(() => (store.notice ? capital(render(store.notice)) + '.' : ''))
</script>

<template>
  <div class="notices no-print">
    <div v-if="store.problem" class="problem" role="alert">
      <strong>{{ store.problem.title }}.</strong> {{ capital(store.problem.detail) }}
      <button v-if="store.unsent || !store.state" type="button" class="link" @click="store.again()">Try again</button>
      <button type="button" class="link" @click="store.problem = undefined">Close</button>
    </div>
    <p v-else-if="words" class="notice small" role="status">{{ words }}</p>
  </div>
</template>

<style scoped>
.problem {
  border-left: 4px solid var(--accent);
  background: var(--wash);
  padding: 0.5rem 1.2rem;
}
.problem .link {
  margin-left: 0.8rem;
}
.notice {
  padding: 0.25rem 1.2rem;
  color: var(--ink-2);
  border-bottom: 1px solid var(--hair);
}
</style>
