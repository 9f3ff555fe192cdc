<script setup lang="ts">
// What was recorded in these days of earlier years.
import { computed } from 'vue'
import { api, type ToldEntry } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, day } from '../../lib/words'
import PhotoStrip from '../../parts/PhotoStrip.vue'

const store = useHousehold()
const { render } = useUnits()
const { data } = useAnswer(
  'earlier',
  () => !!store.plan || undefined,
  (_, signal) => api.GET('/earlier', { signal }),
)
/** The entries by their years, the newest first. */
const years = computed(() => {
  const out = new Map<string, ToldEntry[]>()
  for (const e of data.value ?? []) out.set(e.day.slice(0, 4), [...(out.get(e.day.slice(0, 4)) ?? []), e])
  return [...out].map(([year, entries]) => ({ year, entries }))
})
</script>

<template>
  <section v-if="years.length" aria-label="These days in earlier years">
    <h3>These days in earlier years</h3>
    <details v-for="(y, i) in years" :key="y.year" :open="i === 0">
      <summary>{{ y.year }}</summary>
      <ul>
        <li v-for="e in y.entries" :key="e.id">
          <span class="small quiet">{{ day(e.day) }}</span> {{ capital(render(e.words)) }}
          <span v-if="e.note && e.act !== 'note'" class="quiet small">{{ e.note }}</span>
          <PhotoStrip v-if="e.photos?.length" :ids="e.photos" :words="e.note || render(e.words)" />
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
summary {
  padding: var(--space-3) 0 var(--space-1);
  font-family: var(--serif);
  font-weight: 600;
  cursor: pointer;
}
li {
  padding: var(--space-1) 0;
  border-bottom: 1px solid var(--hair);
}
</style>
