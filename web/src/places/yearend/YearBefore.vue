<script setup lang="ts">
// The table year that was ended last, as it was on its last day.
import { computed, ref } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { capital, count } from '../../lib/words'
import SowingsByMonth from '../../parts/SowingsByMonth.vue'

const store = useHousehold()
const open = ref(false)
const { data: before, wrong } = useAnswer(
  'year-before',
  () => (open.value ? true : undefined),
  (_, signal) => api.GET('/year-before', { signal }),
)
const year = computed(() => before.value?.year)
const ended = computed(() => store.state?.ended)
</script>

<template>
  <div v-if="ended" class="before no-print">
    <button type="button" class="link" :aria-expanded="open" @click="open = !open">
      Look at the year {{ ended }}, which has ended
    </button>
    <div v-if="open" class="over" data-before>
      <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
      <template v-else-if="year">
        The year {{ year.year }} fed <strong>{{ year.fed?.weeks_fed ?? year.tally.weeks_fed }}</strong> of
        {{ year.tally.weeks_wanted }} weeks by your records, from {{ count(year.sowings.length, 'sowing') }} that
        {{ year.sowings.length === 1 ? 'was' : 'were' }} started. {{ ' ' }}<SowingsByMonth :sowings="year.sowings" />
      </template>
      <p v-else class="quiet" role="status">Working it out …</p>
    </div>
  </div>
</template>

<style scoped>
.over {
  max-width: 52rem;
  padding: var(--space-3) var(--space-5) var(--space-4);
  border-left: 3px solid var(--ink-2);
}
</style>
