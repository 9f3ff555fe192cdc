<script setup lang="ts">
// One planting of the weigh-in: with a scale, one press takes the weight; beside it what it weighs,
// or how many there are, can be typed.
import { ElButton, ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import type { Picking } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'

const props = defineProps<{ picking: Picking; when: string; scale: boolean; taking: boolean }>()
const emit = defineEmits<{ weigh: []; typed: [amount: { gram?: number; pieces?: number; measure?: string }] }>()
const { read, shown } = useUnits()
const weight = ref('')
const pieces = ref('')
const wrong = ref('')
const store = useHousehold()
/** What the household counts this by. */
const measures = computed(() => (store.household?.measures ?? []).filter((m) => m.food === props.picking.food))

function take() {
  const counted = !weight.value.trim()
  const text = counted ? pieces.value : weight.value
  if (!text.trim()) return
  const n = read(text, counted ? '' : 'kg')
  if (!(n > 0)) {
    wrong.value = `“${text}” is not a ${counted ? 'number' : 'weight'}. Type a number above 0.`
    return
  }
  emit('typed', counted ? { pieces: n } : { gram: Math.round(n * 1000) })
  weight.value = pieces.value = wrong.value = ''
}
</script>

<template>
  <li class="row" :data-picking="picking.crop">
    <ElButton class="name" :disabled="!scale" :loading="taking" @click="emit('weigh')">
      <b>{{ picking.crop_name }}</b>
      <span class="quiet small">{{ when }}</span>
    </ElButton>
    <ElInput
      v-model="weight"
      class="number"
      inputmode="decimal"
      :aria-label="`What it weighs: ${picking.crop_name}`"
      @keydown.enter="take"
      ><template #suffix>{{ shown('kg').unit }}</template></ElInput
    >
    <ElInput
      v-if="picking.counted"
      v-model="pieces"
      class="number"
      inputmode="numeric"
      placeholder="pieces"
      :aria-label="`How many: ${picking.crop_name}`"
      @keydown.enter="take"
    />
    <ElButton v-if="weight.trim() || pieces.trim()" class="enter" @click="take">Enter</ElButton>
    <span v-if="measures.length" class="measures">
      <ElButton
        v-for="m in measures"
        :key="m.id"
        class="enter"
        :aria-label="`One ${m.name} of ${picking.crop_name}`"
        @click="emit('typed', { pieces: 1, measure: m.name })"
      >
        1 {{ m.name }}
      </ElButton>
    </span>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 6rem 5rem 5rem;
  gap: 0 var(--space-4);
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.row .wrong {
  grid-column: 1 / -1;
  margin: 0;
}
.measures {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  padding-bottom: var(--space-2);
}
.name,
.enter {
  min-height: 48px;
  margin: 0;
}
.name {
  justify-content: flex-start;
  border-color: transparent;
  background: transparent;
  color: var(--ink);
}
.name:not(:disabled) {
  border-color: var(--hair-2);
}
.name b {
  font-family: var(--serif);
  margin-right: var(--space-4);
}
@media (max-width: 640px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 5rem 4.2rem;
  }
  .number :deep(input) {
    min-height: 48px;
  }
  .enter {
    grid-column: 2 / 4;
  }
  .name {
    height: auto;
  }
  .name :deep(> span) {
    flex-direction: column;
    align-items: flex-start;
    white-space: normal;
    text-align: left;
    line-height: 1.2;
  }
}
</style>
