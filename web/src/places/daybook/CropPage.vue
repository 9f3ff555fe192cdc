<script setup lang="ts">
// All that is known of one food: this season week by week, where it went, what grows of it, notes and
// photographs, and every entry.
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { runningYear } from '../../lib/daybook'
import { useHousehold } from '../../lib/household'
import { provideOutlooks } from '../../lib/outlooks'
import { useUnits } from '../../lib/units'
import { went } from '../../lib/went'
import { capital, fullDay } from '../../lib/words'
import FoodSaid from '../../parts/FoodSaid.vue'
import NotesOf from '../../parts/NotesOf.vue'
import EntryList from './EntryList.vue'
import SeasonChart from './SeasonChart.vue'
import StandingLine from './StandingLine.vue'
import './daybook.css'

const store = useHousehold()
provideOutlooks()
const route = useRoute()
const { say, render } = useUnits()
const food = computed(() => String(route.params.food ?? ''))
const kinds = computed(() => store.reference?.foods.find((f) => f.name === food.value)?.kinds.map((k) => k.id))
const today = computed(() => store.plan?.as_of ?? '')
const start = computed(() => (store.plan ? runningYear(store.plan) : ''))

const { data: seasons } = useAnswer(
  'seasons',
  () => !!store.plan || undefined,
  (_, signal) => api.GET('/seasons', { signal }),
)
const season = computed(() => seasons.value?.find((s) => s.food === food.value))
const { data: balances } = useAnswer(
  'balances',
  () => (today.value ? { from: start.value, to: today.value } : undefined),
  (asked, signal) => api.GET('/balances', { params: { query: asked }, signal }),
)
const balance = computed(() => balances.value?.find((b) => b.food === food.value))
const parts = computed(() => {
  const b = balance.value
  if (!b) return []
  const gone = went.filter((p) => b.went[p.to]).map((p) => ({ words: p.words, gram: b.went[p.to] ?? 0 }))
  return b.not_said ? [...gone, { words: 'not recorded', gram: b.not_said }] : gone
})
const standing = computed(() =>
  (store.plan?.sowings ?? []).filter(
    (s) => s.begun && !s.over && s.clear >= today.value && kinds.value?.includes(s.crop),
  ),
)
const kg = (n: number) => say(n >= 10 ? Math.round(n) : n, 'kg')
</script>

<template>
  <section v-if="store.plan" class="crop daybook" :aria-label="food">
    <div class="place-bar">
      <h2 tabindex="-1">{{ capital(food) }}</h2>
      <p class="small links">
        <RouterLink to="/daybook/record">What came in</RouterLink> <RouterLink to="/daybook">Daybook</RouterLink>
      </p>
    </div>
    <p v-if="store.reference && !kinds" class="empty">The crop book has no food of this name.</p>
    <template v-else>
      <FoodSaid :food="food" />
      <section aria-label="This season">
        <h3>This season</h3>
        <template v-if="season">
          <p class="said">
            <template v-if="season.words">{{ render(season.words) }}.</template>
            <template v-else-if="season.by_now > 0"
              >{{ kg(season.by_now) }} expected by now. Nothing has been weighed in yet.</template
            >
            <template v-else-if="season.weeks[0]"
              >Picking is expected from {{ fullDay(season.weeks[0].from) }}.</template
            >
            <template v-if="season.likely > 0.05">
              Still to come: about <b>{{ kg(season.likely) }}</b>, {{ kg(season.low) }} to {{ kg(season.high) }} in 8
              years of 10.</template
            >
          </p>
          <SeasonChart v-if="season.weeks.length > 1" :season="season" :today="today" />
        </template>
        <p v-else class="quiet">Nothing is planned or picked this year.</p>
      </section>
      <section v-if="balance" aria-label="Where it went">
        <h3>Where it went</h3>
        <p class="went">
          <b>{{ say(balance.came_in / 1000, 'kg') }}</b> came in this year:
          <template v-for="(p, i) in parts" :key="p.words"
            >{{ i ? ', ' : '' }}{{ say(p.gram / 1000, 'kg') }} {{ p.words }}</template
          >.
        </p>
      </section>
      <section v-if="standing.length" aria-label="Growing now">
        <h3>Growing now</h3>
        <ul>
          <StandingLine v-for="s in standing" :key="s.id" :sowing="s" />
        </ul>
      </section>
      <section aria-label="Notes and photographs">
        <h3>Notes and photographs</h3>
        <NotesOf :key="food" class="went" :about="{ food }" :name="food" />
      </section>
      <EntryList from="1950-01-01" :to="today" :food="food" title="All entries" />
    </template>
  </section>
</template>

<style scoped>
.crop {
  max-width: 54rem;
}
.links {
  display: flex;
  gap: var(--space-5);
}
.said {
  padding: var(--space-3) 0 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
.went {
  padding: var(--space-3) 0;
}
.empty {
  padding: var(--space-6) 0;
}
</style>
