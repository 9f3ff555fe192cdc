<script setup lang="ts">
// An earlier day, of any year: the weather, what was done, what came in and where it went, notes
// and photographs; and more can be entered for it.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { doneIn } from '../../lib/daybook'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'
import { dayNumber, fullDay, isoDay, weekday } from '../../lib/words'
import DoneTasks from './DoneTasks.vue'
import EntryList from './EntryList.vue'
import DateField from '../../parts/DateField.vue'
import './daybook.css'

const store = useHousehold()
const route = useRoute()
const router = useRouter()
const { say } = useUnits()
const today = computed(() => store.plan?.as_of ?? '')
/** The day shown: never one to come. */
const shown = computed(() => {
  const asked = String(route.params.day ?? '')
  return /^\d{4}-\d\d-\d\d$/.test(asked) && asked < today.value ? asked : today.value
})
const go = (iso: string) => void router.replace(iso >= today.value ? '/daybook' : `/daybook/day/${iso}`)
const by = (days: number) => go(isoDay(dayNumber(shown.value) + days))
const pick = (iso: string) => iso && go(iso)

const weather = computed(() => store.household?.weather.find((d) => d.date === shown.value))
const done = computed(() => {
  const n = dayNumber(shown.value)
  return store.plan ? doneIn(store.plan, n, n) : []
})
useKeys([
  { keys: '[', does: 'a day back', run: () => by(-1) },
  { keys: ']', does: 'a day on', run: () => by(1) },
])
</script>

<template>
  <section v-if="store.plan" class="daybook day" aria-label="An earlier day">
    <div class="place-bar">
      <h2 tabindex="-1">{{ weekday(shown) }}, {{ fullDay(shown) }}</h2>
      <div class="tools no-print">
        <button type="button" class="plain step" aria-label="A week back" @click="by(-7)">«</button>
        <button type="button" class="plain step" aria-label="Previous day" @click="by(-1)">‹</button>
        <DateField :model-value="shown" :max="today" label="Which day" @update:model-value="pick" />
        <button type="button" class="plain step" aria-label="Next day" @click="by(1)">›</button>
        <button type="button" class="plain step" aria-label="A week forward" @click="by(7)">»</button>
        <RouterLink class="small" to="/daybook">today</RouterLink>
      </div>
    </div>
    <p v-if="weather">
      {{ say(weather.min, '°C') }} to {{ say(weather.max, '°C')
      }}<template v-if="weather.rain !== undefined">, {{ say(weather.rain, 'mm') }} of rain</template>.
    </p>
    <DoneTasks v-if="done.length" :done="done" />
    <EntryList :from="shown" :to="shown" title="Recorded on this day" />
    <EntryList
      :from="isoDay(dayNumber(shown) - 6)"
      :to="isoDay(dayNumber(shown) - 1)"
      title="Recorded in the 6 days before"
    />
    <p class="quiet none">
      You can still enter what was forgotten. Type the day in the line of the Daybook: “2 kg beans on
      {{ fullDay(shown) }}”.
    </p>
  </section>
</template>

<style scoped>
.day {
  max-width: 50rem;
}
.tools {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
.tools .el-input {
  width: 9.5rem;
}
.step {
  padding: var(--space-1) var(--space-4);
  border: 1px solid var(--hair-2);
  min-height: 32px;
}
@media (max-width: 640px) {
  .tools {
    flex-wrap: wrap;
  }
  .step {
    min-height: 48px;
    min-width: 48px;
  }
}
</style>
