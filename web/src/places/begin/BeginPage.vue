<script setup lang="ts">
// The first evening: tick what the family eats, enter the beds, see what fits. Each tick is a wish at once.
import { computed, ref } from 'vue'
import { answer, api, type Starter } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital, count } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import FitWishes from '../ground/FitWishes.vue'
import AddLine from '../table/AddLine.vue'
import BedLine from './BedLine.vue'
import StarterRow from './StarterRow.vue'
import { sameWish } from './starters'

const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
const fresh = ref<'while' | 'year'>('while')
const refused = ref('')

const { data, wrong } = useAnswer(
  'starters',
  () => ({ while: fresh.value === 'while' }),
  (query, signal) => api.GET('/starters', { params: { query }, signal }),
)
const habits = computed(() => {
  const out = new Map<string, Starter[]>()
  for (const s of data.value ?? []) out.set(s.habit, [...(out.get(s.habit) ?? []), s])
  return [...out]
})
const wishOf = (s: Starter) => store.household?.wishes.find((w) => sameWish(w, s.wish))
const ticked = (all: Starter[]) => all.filter(wishOf).length

/** Ticks are done one after the other, so that none is made against an older plan. */
let last: Promise<unknown> = Promise.resolve()
function tick(s: Starter, on: boolean) {
  last = last.then(async () => {
    const there = wishOf(s)
    if (on === !!there) return
    const p = there
      ? await store.edit({ command: 'remove-wish', target: there.id })
      : await store.edit({ command: 'add-wish', wish: s.wish })
    refused.value = wordsOf(p)
  })
}

/** Fresh food all year or while it lasts, for what is ticked already too. */
async function season(to: 'while' | 'year') {
  fresh.value = to
  const list = await answer(() => api.GET('/starters', { params: { query: { while: to === 'while' } } }))
  const wishes = list.flatMap((s) => {
    const w = wishOf(s)
    return w && w.season.kind !== s.wish.season.kind && w.season.kind !== 'months'
      ? [{ ...w, season: s.wish.season }]
      : []
  })
  if (wishes.length) refused.value = wordsOf(await store.edit({ command: 'put-wishes', wishes, remove: [] }))
}

const beds = computed(() => store.household?.beds ?? [])
const area = computed(() => beds.value.reduce((sum, b) => sum + b.length * b.width, 0))
</script>

<template>
  <section class="begin" aria-label="First evening">
    <header class="head">
      <h2 tabindex="-1">Your first plan</h2>
      <nav aria-label="Steps" class="small">
        <a href="#foods">1 What you eat</a> · <a href="#beds">2 Your beds</a> · <a href="#fit">3 What fits</a>
      </nav>
    </header>

    <section id="foods" aria-label="What you eat">
      <h3>1 · What you eat</h3>
      <p>
        Tick what your family eats. The amounts are usual for
        {{ count(store.household?.members.length ?? 0, 'person', 'people') }}; change any number.
        <span class="season">
          Fresh food:
          <ChoiceButtons
            :model-value="fresh"
            label="When you want fresh food"
            :options="[
              { value: 'while', words: 'while it lasts' },
              { value: 'year', words: 'all year, as far as it goes' },
            ]"
            @update:model-value="season"
          />
        </span>
      </p>
      <p v-if="wrong || refused" class="wrong" role="alert">{{ capital(wrong || refused) }}</p>
      <div v-for="[habit, all] in habits" :key="habit" class="habit">
        <h4>
          {{ habit }} <span v-if="ticked(all)" class="quiet small">{{ ticked(all) }} ticked</span>
        </h4>
        <ul>
          <StarterRow v-for="s in all" :key="s.name" :starter="s" @tick="tick(s, $event)" />
        </ul>
      </div>
      <p>Anything else? Type it as you would say it:</p>
      <AddLine alone />
    </section>

    <section id="beds" aria-label="Your beds">
      <h3>2 · Your beds</h3>
      <p v-if="beds.length" data-beds>
        {{ count(beds.length, 'bed') }}, {{ say(area, 'm²') }} of bed space.
        <RouterLink to="/ground/beds">Change them or draw the plot</RouterLink>
      </p>
      <p v-else>How many beds do you have, and how large are they? Length by width, in one line.</p>
      <BedLine />
    </section>

    <section id="fit" aria-label="What fits">
      <h3>3 · What fits</h3>
      <p v-if="!store.household?.wishes.length" class="quiet">Tick some foods first.</p>
      <p v-else-if="!beds.length" class="quiet">
        Enter your beds first. Without them the plan needs {{ say(store.plan?.tally.area ?? 0, 'm²') }} in its fullest
        week.
      </p>
      <FitWishes v-else />
      <p v-if="store.household?.wishes.length" class="next">
        Next: look at your <RouterLink to="/year">Year</RouterLink>, your
        <RouterLink to="/sowings">Sowings</RouterLink> with all dates
        <template v-if="beds.length && !ground.old"
          >, or the beds in <RouterLink to="/ground">Ground</RouterLink></template
        >.
      </p>
    </section>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: baseline;
}
.season {
  white-space: nowrap;
  margin-left: var(--space-5);
}
.habit {
  margin-top: var(--space-5);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
h3 {
  margin-top: var(--space-7);
}
h4 {
  margin: 0 0 var(--space-2);
}
</style>
