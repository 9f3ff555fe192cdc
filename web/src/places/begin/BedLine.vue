<script setup lang="ts">
// Beds typed as one line: "4 beds of 8 × 1.2 m". What is understood is shown before it is added.
import { ElButton, ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { answer, api, Refused, type Bed, type Plot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'

const store = useHousehold()
const { say, system } = useUnits()
const text = ref('')
const found = ref<{ plot: Plot; beds: Bed[] }>()
const wrong = ref('')
let asked = 0

/** Asks what the line means. A later question makes an earlier answer worthless. */
async function read(): Promise<{ plot: Plot; beds: Bed[] } | undefined> {
  const mine = ++asked
  wrong.value = ''
  if (!text.value.trim()) {
    found.value = undefined
    return undefined
  }
  try {
    const r = await answer(() => api.POST('/bed-line', { body: { text: text.value, feet: system.value === 'us' } }))
    if (mine === asked) found.value = r
    return r
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (mine === asked) {
      found.value = undefined
      wrong.value = wordsOf(e.problem)
    }
    return undefined
  }
}
watch([text, system], () => void read())

const area = computed(() => (found.value?.beds ?? []).reduce((sum, b) => sum + b.length * b.width, 0))
/** The beds that were understood, equal ones together. */
const said = computed(() => {
  const out = new Map<string, number>()
  for (const b of found.value?.beds ?? []) {
    const size = `${say(b.length, 'm')} × ${say(b.width, 'm')}`
    out.set(size, (out.get(size) ?? 0) + 1)
  }
  return [...out].map(([size, n]) => `${count(n, 'bed')} of ${size}`).join(', ')
})

async function add() {
  const r = await read()
  if (!r) return
  const p = await store.edit({ command: 'add-beds', plot: r.plot, beds: r.beds })
  if (p) wrong.value = wordsOf(p)
  else text.value = ''
}
</script>

<template>
  <form class="bed-line no-print" @submit.prevent="add">
    <div class="row">
      <ElInput
        v-model="text"
        aria-label="Beds in one line"
        :placeholder="system === 'us' ? '4 beds of 20 × 4 ft' : '4 beds of 8 × 1.2 m'"
      />
      <ElButton native-type="submit" type="primary" :disabled="!text.trim()">Add beds</ElButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-else-if="found" class="small" role="status">{{ said }}: {{ say(area, 'm²') }} of bed space.</p>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: var(--space-4);
  max-width: 34rem;
}
p {
  margin: var(--space-3) 0 0;
}
</style>
