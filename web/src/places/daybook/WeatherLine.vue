<script setup lang="ts">
// The weather so far: the last day of the record, and the rain of the week that ends with it. Without
// a record of the last days nothing is said.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { day, dayNumber } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const days = computed(() => {
  const today = dayNumber(store.plan?.as_of ?? '')
  return (store.household?.weather ?? []).filter((d) => {
    const ago = today - dayNumber(d.date)
    return ago >= 0 && ago < 7
  })
})
const last = computed(() => days.value.at(-1))
const rain = computed(() => {
  const known = days.value.filter((d) => d.rain !== undefined)
  return known.length ? known.reduce((sum, d) => sum + (d.rain ?? 0), 0) : undefined
})
</script>

<template>
  <p v-if="last" class="small quiet">
    Weather: {{ say(last.min, '°C') }} to {{ say(last.max, '°C') }} on {{ day(last.date)
    }}<template v-if="rain !== undefined">, {{ say(rain, 'mm') }} of rain in {{ days.length }} days</template>.
  </p>
</template>
