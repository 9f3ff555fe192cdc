<script setup lang="ts">
// Plain questions as forms of words: fill in the blanks, and the answer stands below.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Question } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useLine } from '../../lib/lines'
import { dayNumber, isoDay } from '../../lib/words'
import LineReadings from '../../parts/LineReadings.vue'
import NumberInput from '../../parts/NumberInput.vue'
import WishPreview from '../../parts/WishPreview.vue'
import FallsFree from '../ground/FallsFree.vue'
import AnswerText from './AnswerText.vue'
import DateField from '../../parts/DateField.vue'

const store = useHousehold()
const ground = useGround()
const router = useRouter()
const show = (bed: string, day: string) => void router.push({ path: '/ground', query: { free: bed, day } })
const { text, readings, choices, chosen, wrong } = useLine()
const wish = computed(() => readings.value[chosen.value]?.wish)

/** Foods that are wished for come first: most questions are about them. */
const foods = computed(() => {
  const wished = [...new Set((store.household?.wishes ?? []).map((w) => w.food))]
  const all = (store.reference?.foods ?? []).map((f) => f.name)
  return [...wished, ...all.filter((f) => !wished.includes(f))]
})
const beds = computed(() => store.household?.beds ?? [])
const weeks = computed(() => store.plan?.weeks ?? [])
const ask = reactive({
  need: { food: '', from: '', to: '' },
  sow: { food: '', number: undefined as number | undefined },
  next: { bed: '' },
  last: { food: '', bed: '' },
})
watch(
  weeks,
  (w) => {
    ask.need.from ||= store.plan?.as_of && store.plan.as_of >= (w[0] ?? '') ? store.plan.as_of : (w[0] ?? '')
    const last = w[w.length - 1]
    ask.need.to ||= last ? isoDay(dayNumber(last) + 6) : ''
  },
  { immediate: true },
)
const needed = computed<Question | undefined>(() =>
  ask.need.food && ask.need.from && ask.need.to ? { ask: 'needed', ...ask.need } : undefined,
)
const sowings = computed<Question | undefined>(() =>
  ask.sow.food ? { ask: 'sowings', food: ask.sow.food, number: ask.sow.number ?? 0 } : undefined,
)
const next = computed<Question | undefined>(() => (ask.next.bed ? { ask: 'next', bed: ask.next.bed } : undefined))
const last = computed<Question | undefined>(() =>
  ask.last.food && ask.last.bed ? { ask: 'last', food: ask.last.food, bed: ask.last.bed } : undefined,
)
</script>

<template>
  <ul class="questions">
    <li data-question="plants">
      <p>
        How many plants for
        <ElInput
          v-model="text"
          class="line"
          size="small"
          placeholder="35 qt tomato sauce"
          aria-label="How many plants for"
        />?
      </p>
      <LineReadings
        v-model:chosen="chosen"
        :readings="readings"
        :choices="choices"
        :wrong="wrong"
        @take="(l) => (text = l)"
      />
      <WishPreview v-if="wish" :wish="wish" sowings />
    </li>
    <li data-question="needed">
      <p>
        How much
        <ElSelect v-model="ask.need.food" size="small" filterable placeholder="food" aria-label="Food that is needed">
          <ElOption v-for="f in foods" :key="f" :value="f" :label="f" />
        </ElSelect>
        do we need from
        <DateField v-model="ask.need.from" class="day" label="Needed from" />
        to
        <DateField v-model="ask.need.to" class="day" label="Needed to" />?
      </p>
      <AnswerText :question="needed" />
    </li>
    <li data-question="sowings">
      <p>
        When is sowing number
        <NumberInput v-model="ask.sow.number" class="few" label="Number of the sowing" blank placeholder="all" />
        of
        <ElSelect v-model="ask.sow.food" size="small" filterable placeholder="food" aria-label="Food that is sown">
          <ElOption v-for="f in foods" :key="f" :value="f" :label="f" /> </ElSelect
        >?
      </p>
      <AnswerText :question="sowings" />
    </li>
    <template v-if="beds.length">
      <li data-question="next">
        <p>
          What is next to do in
          <ElSelect v-model="ask.next.bed" size="small" filterable placeholder="bed" aria-label="Next to do in">
            <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" /> </ElSelect
          >?
        </p>
        <AnswerText :question="next" />
      </li>
      <li data-question="last">
        <p>
          When did
          <ElSelect v-model="ask.last.food" size="small" filterable placeholder="food" aria-label="Food that grew">
            <ElOption v-for="f in foods" :key="f" :value="f" :label="f" />
          </ElSelect>
          last grow in
          <ElSelect v-model="ask.last.bed" size="small" filterable placeholder="bed" aria-label="Bed that it grew in">
            <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" /> </ElSelect
          >?
        </p>
        <AnswerText :question="last" />
      </li>
      <li data-question="free">
        <details>
          <summary>Which beds will be free soon, and when?</summary>
          <FallsFree v-if="ground.layout" :frees="ground.layout.frees" @show="show" />
        </details>
      </li>
    </template>
  </ul>
</template>

<style scoped>
.questions {
  list-style: none;
  margin: 0 0 var(--space-7);
  padding: 0;
}
.questions > li {
  padding: var(--space-4) 0;
  border-top: 1px solid var(--hair);
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  align-items: center;
}
.line {
  width: 20rem;
  max-width: 100%;
}
.day {
  width: 9rem;
}
.few {
  width: 4rem;
}
.el-select {
  width: 11rem;
}
</style>
