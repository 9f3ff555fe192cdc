<script setup lang="ts">
// More about a lot: several taken at once and what for, its balance with the counts, and notes.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import type { Lot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { measured, useLotName, useRate } from '../../lib/lots'
import { otherErrors } from '../../lib/problems'
import NotesOf from '../../parts/NotesOf.vue'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ lot: Lot }>()
const store = useHousehold()
const nameOf = useLotName()
const rateOf = useRate()
const many = ref<number>()
const to = ref('table')
const reason = ref('')
const wrong = ref('')
const places = [
  { value: 'table', label: 'eaten' },
  { value: 'given', label: 'given away' },
  { value: 'animals', label: 'for the animals' },
  { value: 'put-up', label: 'put up' },
  { value: 'lost', label: 'spoiled' },
]

async function take() {
  if (!many.value) return
  const p = await store.record({
    entries: [
      {
        id: '',
        act: 'draw',
        day: store.plan?.as_of ?? '',
        lot: props.lot.id,
        food: props.lot.food,
        to: to.value,
        reason: (to.value === 'lost' && reason.value.trim()) || undefined,
        ...measured(props.lot, many.value),
      },
    ],
  })
  wrong.value = p ? otherErrors(p) || p.detail : ''
  if (!p) {
    many.value = undefined
    reason.value = ''
  }
}
</script>

<template>
  <div class="more">
    <form class="take-out" @submit.prevent="take">
      <label
        >Take out
        <NumberInput
          v-model="many"
          :unit="lot.unit === 'kg' ? 'kg' : ''"
          :suffix="lot.unit === 'kg'"
          blank
          :label="`How many to take of ${nameOf(lot)}`"
      /></label>
      <ElSelect v-model="to" size="small" aria-label="What for">
        <ElOption v-for="p in places" :key="p.value" :value="p.value" :label="p.label" />
      </ElSelect>
      <ElInput
        v-if="to === 'lost'"
        v-model="reason"
        size="small"
        maxlength="60"
        placeholder="What was wrong"
        aria-label="What was wrong with it"
      />
      <ElButton size="small" native-type="submit" :disabled="!many">Take</ElButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="rateOf(lot).unrecorded" class="small">{{ rateOf(lot).unrecorded }} by the last count.</p>
    <NotesOf :about="{ lot: lot.id }" :name="nameOf(lot)" />
  </div>
</template>

<style scoped>
.more {
  grid-column: 1 / -1;
  display: grid;
  gap: var(--space-4);
  padding: var(--space-3) 0 var(--space-5) var(--space-5);
  border-left: 3px solid var(--accent);
  max-width: 46rem;
}
.take-out {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: center;
}
.take-out > .el-select,
.take-out > .el-input {
  width: 10rem;
}
label :deep(.number-input) {
  display: inline-block;
  width: 5rem;
}
</style>
