<script setup lang="ts">
// An evening in the kitchen: what came in and waits, what it makes in whole jars and full loads, and
// what was filled.
import { computed } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, fullDay } from '../../lib/words'
import EntryList from './EntryList.vue'
import KitchenRow from './KitchenRow.vue'

const store = useHousehold()
const { say } = useUnits()
const today = computed(() => store.plan?.as_of ?? '')
const { data: waits, wrong } = useAnswer(
  'kitchen',
  () => true,
  (_, signal) => api.GET('/kitchen', { signal }),
)
</script>

<template>
  <section v-if="store.plan" class="kitchen" aria-label="An evening in the kitchen">
    <div class="place-bar">
      <h2 tabindex="-1">Put up</h2>
      <RouterLink class="small" to="/daybook">Back to the Daybook</RouterLink>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <p v-if="waits && !waits.length" class="empty">
      Nothing is waiting in the kitchen. Enter what came in under <RouterLink to="/daybook/weigh">Weigh in</RouterLink>.
      What is not yet eaten or given away waits here for as long as it keeps.
    </p>
    <section v-for="w in waits" :key="w.food" :aria-label="capital(w.food)" :data-waits="w.food">
      <h3>
        {{ capital(w.food) }} <span class="amount">{{ say(w.gram / 1000, 'kg') }}</span>
        <span class="aside small" :class="{ warn: w.by <= today }">use by {{ fullDay(w.by) }}</span>
      </h3>
      <KitchenRow v-for="m in w.makes" :key="m.preparation" :food="w.food" :makes="m" />
    </section>
    <EntryList :from="today" :to="today" title="Recorded today" />
  </section>
</template>

<style scoped>
.kitchen {
  max-width: 52rem;
}
h3 {
  display: flex;
  align-items: baseline;
  gap: var(--space-4);
  margin: var(--space-6) 0 0;
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-large);
}
.amount {
  font-variant-numeric: tabular-nums lining-nums;
}
.aside {
  margin-left: auto;
  font-family: var(--sans);
  font-weight: 400;
  color: var(--ink-2);
}
.aside.warn {
  color: var(--accent);
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
  max-width: 40rem;
}
</style>
