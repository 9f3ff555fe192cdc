<script setup lang="ts">
// The year's end: what was wished, what came in, what was eaten and what is left, wish by wish; what that
// means for the next year, line by line; and the step into it.
import { computed, ref, watch } from 'vue'
import { api, type Wish, type YearEndRow } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { went } from '../../lib/went'
import { capital, count } from '../../lib/words'
import FoodSaid from '../../parts/FoodSaid.vue'
import WishYear from './WishYear.vue'
import YearBefore from './YearBefore.vue'
import YearTurn from './YearTurn.vue'

const store = useHousehold()
const { say } = useUnits()
const { data: foods, wrong } = useAnswer(
  'year-end',
  () => !!store.household || undefined,
  (_, signal) => api.GET('/year-end', { signal }),
)
/** What is taken for the next year: by the wish, as it is then; nothing, where it is left out. */
const taken = ref(new Map<string, Wish | undefined>())
// What was taken of wishes that were changed since is asked anew.
watch(
  () => JSON.stringify(store.household?.wishes),
  (now, before) => before && now !== before && (taken.value = new Map()),
)
const rows = computed(() => (foods.value ?? []).flatMap((f) => f.wishes))
const proposed = computed(() => rows.value.filter((r) => r.proposal.changed))
const open = computed(() => proposed.value.filter((r) => !taken.value.has(r.id)))
function take(r: YearEndRow, wish: Wish | undefined) {
  taken.value = new Map(taken.value).set(r.id, wish)
}
function leave(r: YearEndRow) {
  const next = new Map(taken.value)
  next.delete(r.id)
  taken.value = next
}
function takeAll() {
  const next = new Map(taken.value)
  for (const r of open.value) next.set(r.id, r.proposal.drop ? undefined : r.proposal.wish)
  taken.value = next
}
const changed = computed(() => [...taken.value.values()].filter((w) => w !== undefined))
const without = computed(() => [...taken.value].filter(([, w]) => w === undefined).map(([id]) => id))
const came = (f: { came_in: number; went: Record<string, number>; not_said: number }) =>
  [
    ...went
      .filter((w) => f.went[w.to])
      .map((w) => `${say(Math.round((f.went[w.to] ?? 0) / 100) / 10, 'kg')} ${w.words}`),
    f.not_said ? `${say(Math.round(f.not_said / 100) / 10, 'kg')} not said, most of it eaten` : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <section class="year-end">
    <div class="bar">
      <h2 tabindex="-1">The year’s end</h2>
      <RouterLink to="/year-end/years">The years side by side</RouterLink>
      <RouterLink to="/house/learned">What your garden teaches</RouterLink>
    </div>
    <p class="intro">
      What you wanted for {{ store.plan?.year }}, what came of it, and what that means for the next year. Take what you
      agree with; nothing changes before you start the next year. Weeks that are still to come count as planned.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <p v-else-if="!foods" class="quiet" role="status">Working it out …</p>
    <p v-else-if="!rows.length" class="empty">
      No wishes yet. Add them in <RouterLink to="/table">Table</RouterLink>; at the end of the year you see here what
      came of them.
    </p>
    <template v-else>
      <p v-if="proposed.length" class="all no-print">
        <b>{{ count(proposed.length, 'wish', 'wishes') }}</b> {{ proposed.length === 1 ? 'is' : 'are' }} proposed
        otherwise for the next year, {{ taken.size ? count(taken.size, 'is', 'are') : 'none is' }} taken.
        <button v-if="open.length" type="button" class="link" @click="takeAll">Take all</button>
      </p>
      <p v-else class="quiet">Nothing is proposed otherwise: what was recorded gives no reason to.</p>
      <section v-for="f in foods" :key="f.food" class="food" :aria-label="f.food" :data-food="f.food">
        <h3>
          {{ capital(f.food)
          }}<span v-if="f.came_in" class="small">
            {{ say(Math.round(f.came_in / 100) / 10, 'kg') }} came in<template v-if="came(f)"
              >: {{ came(f) }}</template
            ></span
          ><span v-else class="small quiet"> nothing was weighed in</span>
        </h3>
        <FoodSaid :food="f.food" />
        <WishYear
          v-for="r in f.wishes"
          :key="r.id"
          :row="r"
          :taken="taken.has(r.id)"
          :as="taken.get(r.id)"
          @take="(w) => take(r, w)"
          @leave="leave(r)"
        />
      </section>
      <YearTurn :wishes="changed" :without="without" />
      <YearBefore />
    </template>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: baseline;
}
.intro {
  max-width: 44rem;
}
.all {
  padding: var(--space-3) 0;
}
.food {
  border-top: 1px solid var(--hair-2);
  padding: var(--space-3) 0 var(--space-4);
}
h3 {
  margin: 0;
}
h3 .small {
  font-family: var(--sans);
  font-weight: 400;
  margin-left: var(--space-4);
}
.empty {
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
