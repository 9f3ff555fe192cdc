<script setup lang="ts">
// The times of the year in which a member is away.
import { reactive, ref, watch } from 'vue'
import DayField from '../../parts/DayField.vue'

defineProps<{ who: string }>()
const model = defineModel<{ from: string; to: string }[] | undefined>()
const fresh = reactive({ from: '08-01', to: '08-14' })
const spans = ref([...(model.value ?? [])])
watch(model, (m) => (spans.value = [...(m ?? [])]))

function add() {
  model.value = [...spans.value, { ...fresh }]
}
function drop(i: number) {
  const left = spans.value.filter((_, k) => k !== i)
  model.value = left.length ? left : undefined
}
</script>

<template>
  <div class="spans">
    <div v-for="(s, i) in spans" :key="i">
      <DayField v-model="s.from" :label="`${who} away from`" @done="model = [...spans]" /> to
      <DayField v-model="s.to" :label="`${who} back after`" @done="model = [...spans]" />
      <button type="button" class="link small" @click="drop(i)">Remove</button>
    </div>
    <div>
      <DayField v-model="fresh.from" :label="`${who} away from`" /> to
      <DayField v-model="fresh.to" :label="`${who} back after`" />
      <button type="button" class="link small" @click="add">Add time away</button>
    </div>
  </div>
</template>

<style scoped>
.spans {
  padding: var(--space-3) 0 var(--space-4) var(--space-5);
  border-left: 3px solid var(--accent);
  display: grid;
  gap: var(--space-3);
}
</style>
