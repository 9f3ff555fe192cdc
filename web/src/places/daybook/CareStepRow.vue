<script setup lang="ts">
// One step of a crop's care list, as a sentence whose parts are changed where they stand.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import type { CareStep } from '../../lib/api'
import { perWords, stageWords } from '../../lib/care'
import NumberInput from '../../parts/NumberInput.vue'

const step = defineModel<CareStep>({ required: true })
defineProps<{ wrong: string }>()
const emit = defineEmits<{ done: []; remove: [] }>()
const stages = Object.entries(stageWords) as [CareStep['from'], string][]
function set(change: Partial<CareStep>) {
  Object.assign(step.value, change)
  emit('done')
}
/** Days are entered without a sign; before or after is a choice of its own. */
const days = computed({
  get: () => Math.abs(step.value.days),
  set: (n: number | undefined) => set({ days: (step.value.days < 0 ? -1 : 1) * (n ?? 0) }),
})
const instead = [
  { value: '', words: 'beside the usual tasks' },
  { value: 'thin', words: 'instead of the usual thinning' },
  { value: 'hill', words: 'instead of the usual hilling' },
  { value: 'support', words: 'instead of the usual tying up' },
] as const
</script>

<template>
  <li class="step" :data-step="step.do">
    <ElInput v-model="step.do" size="small" maxlength="60" class="do" aria-label="What to do" @change="emit('done')" />
    <NumberInput v-model="days" unit="days" suffix class="n" :label="`Days of ${step.do}`" />
    <ElSelect
      :model-value="step.days < 0 ? 'before' : 'after'"
      size="small"
      class="side"
      aria-label="Before or after"
      @change="(v: string) => set({ days: (v === 'before' ? -1 : 1) * Math.abs(step.days) })"
    >
      <ElOption value="before" label="before" />
      <ElOption value="after" label="after" />
    </ElSelect>
    <ElSelect
      :model-value="step.from"
      size="small"
      class="stage"
      aria-label="Counted from"
      @change="(v: CareStep['from']) => set({ from: v })"
    >
      <ElOption v-for="[v, words] in stages" :key="v" :value="v" :label="words" />
    </ElSelect>
    <span class="part"
      >then every
      <NumberInput
        :model-value="step.every ?? 0"
        unit="days"
        suffix
        class="n"
        :label="`Days between, ${step.do}`"
        @update:model-value="(n) => set({ every: n ?? 0 })"
    /></span>
    <span v-if="step.every" class="part"
      >at most
      <NumberInput
        :model-value="step.times || undefined"
        class="n"
        blank
        placeholder="any"
        :label="`How often at most, ${step.do}`"
        @update:model-value="(n) => set({ times: n ?? 0 })" />
      times, until
      <ElSelect
        :model-value="step.until ?? ''"
        size="small"
        class="stage"
        aria-label="Until when"
        :empty-values="[null, undefined]"
        @change="(v: CareStep['from'] | '') => set({ until: v })"
      >
        <ElOption value="" label="the bed is cleared" />
        <ElOption v-for="[v, words] in stages.slice(1, 5)" :key="v" :value="v" :label="words" /> </ElSelect
    ></span>
    <span class="part"
      >takes
      <NumberInput
        :model-value="step.minutes"
        unit="minutes"
        suffix
        class="n"
        :label="`Minutes of ${step.do}`"
        @update:model-value="(n) => set({ minutes: n ?? 0 })" />
      <ElSelect
        :model-value="step.per"
        size="small"
        class="side"
        aria-label="Minutes are for"
        @change="(v: CareStep['per']) => set({ per: v })"
      >
        <ElOption v-for="(words, v) in perWords" :key="v" :value="v" :label="words" /> </ElSelect
    ></span>
    <ElSelect
      :model-value="step.instead ?? ''"
      size="small"
      class="instead"
      aria-label="Which usual task it takes the place of"
      :empty-values="[null, undefined]"
      @change="(v: CareStep['instead']) => set({ instead: v })"
    >
      <ElOption v-for="o in instead" :key="o.value" :value="o.value" :label="o.words" />
    </ElSelect>
    <button type="button" class="link small" :aria-label="`Remove ${step.do}`" @click="emit('remove')">Remove</button>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </li>
</template>

<style scoped>
.step {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
.do {
  width: 15rem;
}
.n {
  width: 5rem;
}
.side {
  width: 9.5rem;
}
.stage {
  width: 11rem;
}
.instead {
  width: 14rem;
}
.part {
  display: inline-flex;
  gap: var(--space-3);
  align-items: center;
}
.wrong {
  flex-basis: 100%;
}
</style>
