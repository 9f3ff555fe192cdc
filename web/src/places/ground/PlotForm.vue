<script setup lang="ts">
// The plot itself, and what throws shadows on it.
import { ElInput } from 'element-plus'
import { reactive, ref, watch } from 'vue'
import type { Plot, Problem } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const blank = (): Plot => ({ length: 12, width: 8, bearing: 0, obstacles: [] })
const copy = (p: Plot | undefined): Plot => ({ ...blank(), ...(JSON.parse(JSON.stringify(p ?? blank())) as Plot) })
const draft = reactive<Plot>(copy(store.household?.plot))
const fresh = reactive({ name: '', height: 5, distance: 10, bearing: 180, breadth: 10 })
watch(
  () => JSON.stringify(store.household?.plot),
  () => !problem.value && Object.assign(draft, copy(store.household?.plot)),
)
async function save() {
  if (JSON.stringify(copy(store.household?.plot)) === JSON.stringify(draft)) return
  problem.value = await store.edit({ command: 'add-beds', plot: JSON.parse(JSON.stringify(draft)) as Plot })
}
async function add() {
  draft.obstacles = [...(draft.obstacles ?? []), { ...fresh }]
  await save()
  if (problem.value) draft.obstacles.pop()
  else fresh.name = ''
}
async function remove(i: number) {
  draft.obstacles = (draft.obstacles ?? []).filter((_, k) => k !== i)
  await save()
}
</script>

<template>
  <section aria-label="The plot">
    <h3>The plot</h3>
    <div class="fields">
      <label class="field"
        ><span>long</span><NumberInput v-model="draft.length" unit="m" suffix label="Length of the plot" @done="save"
      /></label>
      <label class="field"
        ><span>wide</span><NumberInput v-model="draft.width" unit="m" suffix label="Width of the plot" @done="save"
      /></label>
      <label class="field"
        ><span>its short side faces, ° from north</span
        ><NumberInput v-model="draft.bearing" label="The short side faces" @done="save"
      /></label>
    </div>
    <p class="quiet small">
      What throws shade, measured from the middle of the plot. The hours of sun of each bed follow from it.
    </p>
    <p v-for="(o, i) in draft.obstacles" :key="i" class="small">
      <b>{{ o.name }}</b>, {{ say(o.height, 'm') }} high, {{ say(o.breadth, 'm') }} wide,
      {{ say(o.distance, 'm') }} away at {{ Math.round(o.bearing) }}°
      <button type="button" class="link" :aria-label="`Remove ${o.name}`" @click="remove(i)">Remove</button>
    </p>
    <form class="fields" @submit.prevent="add">
      <label class="field"
        ><span>barn, hedge, trees</span
        ><ElInput v-model="fresh.name" size="small" aria-label="What throws shade" @keydown.enter.prevent
      /></label>
      <label class="field"
        ><span>high</span><NumberInput v-model="fresh.height" unit="m" suffix label="Its height"
      /></label>
      <label class="field"
        ><span>away</span><NumberInput v-model="fresh.distance" unit="m" suffix label="Its distance"
      /></label>
      <label class="field"
        ><span>at ° from north</span><NumberInput v-model="fresh.bearing" label="Its bearing"
      /></label>
      <label class="field"
        ><span>wide</span><NumberInput v-model="fresh.breadth" unit="m" suffix label="Its width"
      /></label>
      <button type="submit" class="link" :disabled="!fresh.name.trim()">Add</button>
    </form>
    <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
  </section>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: end;
}
.field {
  width: 7.5rem;
}
</style>
