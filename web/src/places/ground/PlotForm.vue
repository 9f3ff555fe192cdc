<script setup lang="ts">
// One plot: its size, its warmth, how it is watered, and what throws shadows on it.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Plot, Problem } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import type { OnePlot } from '../../lib/plots'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'
import DivideForm from './DivideForm.vue'
import WarmthField from './WarmthField.vue'

const props = defineProps<{ of: OnePlot; several: boolean }>()
const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const blank = (): Plot => ({ length: 12, width: 8, bearing: 0, obstacles: [] })
const copy = (p: Plot | undefined): Plot => ({ ...blank(), ...(JSON.parse(JSON.stringify(p ?? blank())) as Plot) })
const draft = reactive<Plot>(copy(props.of.plot))
const fresh = reactive({ name: '', height: 5, distance: 10, bearing: 180, breadth: 10 })
watch(
  () => JSON.stringify(props.of.plot),
  () => {
    if (problem.value) return
    for (const key of Object.keys(draft)) delete (draft as Record<string, unknown>)[key]
    Object.assign(draft, copy(props.of.plot))
  },
)
async function save() {
  if (JSON.stringify(copy(props.of.plot)) === JSON.stringify(draft)) return
  problem.value = await store.edit({
    command: props.of.id ? 'change-further-plot' : 'add-beds',
    plot: JSON.parse(JSON.stringify(draft)) as Plot,
  })
}
function set(some: Partial<Plot>) {
  Object.assign(draft, some)
  void save()
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
async function give() {
  problem.value = await store.edit({ command: 'remove-further-plot', target: props.of.id })
}
const choices = computed(() => [
  ...(draft.obstacles?.length
    ? []
    : [
        {
          field: 'sun' as const,
          words: 'sun',
          label: 'Sun on the plot',
          options: { '': 'full sun', part: '4 to 6 h of sun', shade: 'shade (less than 4 h)' },
        },
      ]),
  {
    field: 'water' as const,
    words: 'water',
    label: 'Water on the plot',
    options: { '': 'by drip lines', can: 'carried in cans', none: 'rain alone' },
  },
])
</script>

<template>
  <section :aria-label="of.name" :data-plot="of.id">
    <h3>{{ of.name }}</h3>
    <div class="fields">
      <label v-if="of.id || several" class="field"
        ><span>name</span
        ><ElInput
          :model-value="draft.name ?? ''"
          size="small"
          :aria-label="`Name of the plot: ${of.name}`"
          @update:model-value="draft.name = $event"
          @change="save"
      /></label>
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
      <label v-for="f in choices" :key="f.field" class="field"
        ><span>{{ f.words }}</span>
        <ElSelect
          :model-value="draft[f.field] ?? ''"
          size="small"
          :aria-label="f.label"
          :empty-values="[null, undefined]"
          @change="set({ [f.field]: $event })"
        >
          <ElOption v-for="(label, value) in f.options" :key="value" :value="value" :label="label" />
        </ElSelect>
      </label>
      <WarmthField
        :of="of.name"
        than="the place"
        :warmer="draft.warmer"
        :earlier="draft.earlier"
        @change="set({ warmer: undefined, earlier: undefined, ...$event })"
      />
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
    <details>
      <summary>{{ of.beds.length ? 'Fit more beds on it' : 'Divide it into beds' }}</summary>
      <DivideForm :of="of" />
    </details>
    <button
      v-if="of.id && !of.beds.length"
      type="button"
      class="link small"
      :aria-label="`Remove the plot ${of.name}`"
      @click="give"
    >
      Remove this plot
    </button>
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
.field:has(.el-select) {
  width: 10.5rem;
}
summary {
  cursor: pointer;
  font-family: var(--serif);
  font-weight: 600;
}
</style>
