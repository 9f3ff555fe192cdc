<script setup lang="ts">
// What people say of a food in passing: it ran out, it was too much, nobody eats it. The year's end
// proposes by it.
import { computed, ref } from 'vue'
import { api, type Happened } from '../lib/api'
import { useAnswer } from '../lib/ask'
import { useHousehold } from '../lib/household'
import { wordsOf } from '../lib/problems'
import { dated } from '../lib/words'

const props = defineProps<{ food: string }>()
const store = useHousehold()
const wrong = ref('')
const today = computed(() => store.plan?.as_of ?? '')
const words: Record<string, string> = { 'ran-out': 'ran out', 'too-much': 'too much', nobody: 'nobody eats it' }
const { data } = useAnswer(
  'said',
  () => (today.value ? { from: '1950-01-01', to: today.value, kind: 'note' as const, food: props.food } : undefined),
  (query, signal) => api.GET('/entries', { params: { query }, signal }),
)
/** What was said last, of those that are told newest first or oldest first. */
const last = computed(
  () =>
    (data.value?.entries ?? [])
      .filter((e) => e.said)
      .sort((a, b) => b.day.localeCompare(a.day) || (b.order ?? 0) - (a.order ?? 0))[0],
)
async function tell(said: string) {
  const entry = { id: '', act: 'note', day: today.value, food: props.food, said } as Happened
  wrong.value = wordsOf(await store.record({ entries: [entry] }))
}
async function takeBack() {
  if (last.value) wrong.value = wordsOf(await store.edit({ command: 'remove-entry', target: last.value.id }))
}
</script>

<template>
  <p class="said small no-print" role="group" :aria-label="`In passing, of ${food}`">
    <template v-if="last?.said"
      >You said on {{ dated(last.day, today) }}: <b>{{ words[last.said] }}</b>.
      <button type="button" class="link" @click="takeBack">Remove</button>
    </template>
    <template v-else
      ><span class="quiet">In passing:</span>
      <button v-for="(w, key) in words" :key="key" type="button" class="link" @click="tell(key)">{{ w }}</button>
    </template>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </p>
</template>

<style scoped>
.said {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: baseline;
}
</style>
