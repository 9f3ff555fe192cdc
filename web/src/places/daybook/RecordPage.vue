<script setup lang="ts">
// What came in during a span of days and where it went, food by food; and every entry of it, with a
// search.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api, type FoodBalance } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { monday, runningYear } from '../../lib/daybook'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { went as places } from '../../lib/went'
import { capital, dayNumber, isoDay } from '../../lib/words'
import EntryList from './EntryList.vue'

const store = useHousehold()
const { say } = useUnits()
const today = computed(() => store.plan?.as_of ?? '')
const span = ref('year')
const find = ref('')
const kind = ref<'' | 'harvest' | 'use' | 'put-up' | 'draw' | 'note' | 'photographs' | 'lessons'>('')
const bed = ref('')
const kinds = [
  { value: '', label: 'all entries' },
  { value: 'harvest', label: 'picked' },
  { value: 'use', label: 'where it went' },
  { value: 'put-up', label: 'put up' },
  { value: 'draw', label: 'taken from the shelf' },
  { value: 'note', label: 'notes' },
  { value: 'lessons', label: 'lessons' },
  { value: 'photographs', label: 'with photographs' },
]
const spans = [
  { value: 'week', label: 'this week' },
  { value: 'month', label: 'the last 30 days' },
  { value: 'year', label: 'this table year' },
  { value: 'all', label: 'all years' },
]
const from = computed(() => {
  switch (span.value) {
    case 'week':
      return isoDay(monday(today.value))
    case 'month':
      return isoDay(dayNumber(today.value) - 30)
    case 'year':
      return store.plan ? runningYear(store.plan) : today.value
  }
  return '1950-01-01'
})
const { data: balances } = useAnswer(
  'balances',
  () => (today.value ? { from: from.value, to: today.value } : undefined),
  (asked, signal) => api.GET('/balances', { params: { query: asked }, signal }),
)

/** Only the columns that say something. */
const columns = computed(() => places.filter((p) => balances.value?.some((b) => b.went[p.to])))
const kg = (gram: number | undefined) => (gram ? say(gram / 1000, 'kg') : '')
const went = (b: FoodBalance, to: string) => kg(b.went[to])
</script>

<template>
  <section v-if="store.plan" class="record" aria-label="What came in">
    <div class="place-bar">
      <h2 tabindex="-1">What came in</h2>
      <ElSelect v-model="span" class="span no-print" size="small" aria-label="Which days">
        <ElOption v-for="s in spans" :key="s.value" :value="s.value" :label="s.label" />
      </ElSelect>
      <RouterLink class="small" to="/daybook">Back to the Daybook</RouterLink>
    </div>
    <p v-if="balances && !balances.length" class="empty">
      Nothing was recorded in these days. Type what came in at the top of the Daybook, or weigh it in.
    </p>
    <div v-else class="scroll">
      <table v-if="balances" class="figure-table">
        <thead>
          <tr>
            <th scope="col">Food</th>
            <th scope="col" class="n">came in</th>
            <th v-for="p in columns" :key="p.to" scope="col" class="n">{{ p.words }}</th>
            <th scope="col" class="n">not recorded</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in balances" :key="b.food" :data-balance="b.food">
            <th scope="row">
              <RouterLink :to="`/daybook/crop/${encodeURIComponent(b.food)}`">{{ capital(b.food) }}</RouterLink>
            </th>
            <td class="n">
              <b>{{ kg(b.came_in) }}</b>
            </td>
            <td v-for="p in columns" :key="p.to" class="n">{{ went(b, p.to) }}</td>
            <td class="n quiet">{{ kg(b.not_said) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small quiet">“Not recorded” was most likely eaten fresh.</p>
    <div class="looking no-print">
      <ElInput
        v-model="find"
        class="find"
        placeholder="find: a food, slugs, put up …"
        aria-label="Find in the records"
        maxlength="100"
        clearable
      />
      <ElSelect v-model="kind" aria-label="Which entries" :empty-values="[null, undefined]">
        <ElOption v-for="k in kinds" :key="k.value" :value="k.value" :label="k.label" />
      </ElSelect>
      <ElSelect
        v-if="store.household?.beds.length"
        v-model="bed"
        aria-label="Which bed"
        :empty-values="[null, undefined]"
      >
        <ElOption value="" label="all beds" />
        <ElOption v-for="b in store.household.beds" :key="b.id" :value="b.id" :label="b.name" />
      </ElSelect>
    </div>
    <EntryList :from="from" :to="today" :find="find" :kind="kind || undefined" :bed="bed" title="Entries" />
  </section>
</template>

<style scoped>
.record {
  max-width: 60rem;
}
.span {
  width: 12rem;
}
.scroll {
  overflow-x: auto;
}
.figure-table {
  width: 100%;
}
.looking {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  margin-top: var(--space-5);
}
.looking > * {
  width: 12rem;
}
.looking .find {
  width: 22rem;
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
