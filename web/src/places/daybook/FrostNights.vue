<script setup lang="ts">
// Nights to come in which frost may kill what stands, by the weather station.
import { computed } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day, weekday } from '../../lib/words'

const store = useHousehold()
const whereIs = useWhere()
const { say } = useUnits()
const { data } = useAnswer(
  'frost-nights',
  () => !!store.reference?.station || undefined,
  (_, signal) => api.GET('/frost-nights', { signal }),
)
const first = computed(() => data.value?.nights[0])
/** The crops at risk that night, each with its beds. */
const crops = computed(() => {
  const of = new Map<string, { name: string; plants: number; sowings: string[] }>()
  for (const x of first.value?.at_risk ?? []) {
    const c = of.get(x.crop_name) ?? { name: x.crop_name, plants: 0, sowings: [] }
    c.plants += x.plants
    c.sowings.push(x.sowing)
    of.set(x.crop_name, c)
  }
  return [...of.values()]
})
</script>

<template>
  <section v-if="first" class="frost" role="status" aria-label="Frost to come" data-frost>
    <p>
      <b>Frost is possible in the night to {{ weekday(first.date) }}, {{ day(first.date) }}</b
      >. The station says {{ say(Math.floor(first.min), '°C') }}, and it may be colder near the soil. Cover these, or
      pick what is ripe:
    </p>
    <ul class="small">
      <li v-for="c in crops" :key="c.name">
        <b>{{ c.name }}</b>, {{ count(c.plants, 'plant') }}
        <span class="quiet">{{ whereIs(...c.sowings) }}</span>
      </li>
    </ul>
    <p v-if="(data?.nights.length ?? 0) > 1" class="small quiet">
      And in {{ count((data?.nights.length ?? 1) - 1, 'night') }} after it.
    </p>
  </section>
</template>

<style scoped>
.frost {
  border-left: 3px solid var(--freezer);
  padding: var(--space-3) var(--space-4);
  margin-bottom: var(--space-4);
}
ul {
  columns: 20rem auto;
  margin: var(--space-2) 0 0;
  padding-left: var(--space-6);
}
</style>
