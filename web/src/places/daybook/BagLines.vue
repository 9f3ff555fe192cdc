<script setup lang="ts">
// What the animals, and those whom the household gives to, want this week, and how much of what came
// in can go there: one press enters it.
import { computed, ref } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const wrong = ref('')
const { data } = useAnswer(
  'bags',
  () => !!store.plan || undefined,
  (_, signal) => api.GET('/bags', { signal }),
)
const bags = computed(() => data.value ?? [])
type Bag = (typeof bags.value)[number]
const kg = (gram: number) => say(gram / 1000, 'kg')
const who = (b: Bag) => (b.to === 'animals' ? 'for the animals' : 'to give away')

async function put(b: Bag) {
  wrong.value = wordsOf(
    await store.record({
      entries: [{ id: '', act: 'use', day: store.plan?.as_of ?? '', food: b.food, gram: b.now, to: b.to }],
    }),
  )
}
</script>

<template>
  <section v-if="bags.length" aria-label="Goes to others this week">
    <h3>Goes to others this week</h3>
    <ul>
      <li v-for="b in bags" :key="b.wish" :data-bag="b.wish">
        <span>
          {{ capital(b.food) }} <span class="quiet small">{{ b.note || who(b) }}</span>
          <span class="small state"
            >{{ b.gone ? `${kg(b.gone)} of ${kg(b.wanted)} gone` : `${kg(b.wanted)} wanted` }}
          </span>
        </span>
        <button v-if="b.now > 0" type="button" class="link" @click="put(b)">give {{ kg(b.now) }}</button>
        <span v-else class="quiet small">{{ b.gone >= b.wanted ? 'all given' : 'nothing is left to give' }}</span>
      </li>
    </ul>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-4);
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--hair);
}
.state {
  display: block;
}
@media (max-width: 640px) {
  li .link {
    min-height: 48px;
  }
}
</style>
