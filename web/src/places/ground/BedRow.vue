<script setup lang="ts">
// One bed by its measures.
import { ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { reactive, ref, watch } from 'vue'
import type { Bed, Problem } from '../../lib/api'
import { useHousehold, wordsOf } from '../../lib/household'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ bed: Bed; isNew?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const draft = reactive<Bed>({ ...props.bed })
const problem = ref<Problem>()
watch(
  () => JSON.stringify(props.bed),
  () => !problem.value && Object.assign(draft, JSON.parse(JSON.stringify(props.bed))),
)

async function save() {
  if (!props.isNew && JSON.stringify(draft) === JSON.stringify(props.bed)) {
    problem.value = undefined
    return
  }
  problem.value = await store.edit({ command: props.isNew ? 'add-bed' : 'change-bed', bed: { ...draft } })
  if (!problem.value) emit('done')
}
function setSun(sun: string) {
  draft.sun = sun
  if (!props.isNew) void save()
}
async function remove() {
  problem.value = await store.edit({ command: 'remove-bed', target: props.bed.id })
}
/** Arrow keys move the bed a tenth of a metre. */
function nudge(e: KeyboardEvent) {
  const by = { ArrowLeft: [-0.1, 0], ArrowRight: [0.1, 0], ArrowUp: [0, 0.1], ArrowDown: [0, -0.1] }[e.key]
  if (!by || props.isNew) return
  e.preventDefault()
  draft.x = Math.max(0, Math.round((draft.x + by[0]!) * 100) / 100)
  draft.y = Math.max(0, Math.round((draft.y + by[1]!) * 100) / 100)
  void save()
}
</script>

<template>
  <div class="bed" :data-bed="bed.id" data-row>
    <ElInput v-model="draft.name" size="small" aria-label="Name of the bed" @change="isNew || save()" />
    <span class="pair"
      ><NumberInput v-model="draft.length" unit="m" label="Length" @done="isNew || save()" /> ×
      <NumberInput v-model="draft.width" unit="m" suffix label="Width" @done="isNew || save()"
    /></span>
    <span class="pair"
      ><NumberInput v-model="draft.x" unit="m" label="From the left" @done="isNew || save()" />,
      <NumberInput v-model="draft.y" unit="m" suffix label="From the front" @done="isNew || save()"
    /></span>
    <ElCheckbox v-model="draft.turned" size="small" @change="isNew || save()">turned</ElCheckbox>
    <ElSelect
      :model-value="draft.sun ?? ''"
      size="small"
      aria-label="Sun"
      :empty-values="[null, undefined]"
      @change="setSun"
    >
      <ElOption value="" label="full sun" />
      <ElOption value="part" label="4 to 6 h of sun" />
    </ElSelect>
    <ElCheckbox v-model="draft.climb" size="small" @change="isNew || save()">trellis</ElCheckbox>
    <span v-if="isNew"
      ><button type="button" class="link" @click="save">add</button>
      <button type="button" class="link" @click="emit('done')">leave</button></span
    >
    <span v-else class="ends"
      ><button
        type="button"
        class="plain grip"
        :aria-label="`Move ${bed.name} with the arrow keys`"
        title="arrow keys move it"
        @keydown="nudge"
      >
        ✥
      </button>
      <button type="button" class="link" @click="remove">remove</button></span
    >
    <p v-if="problem" class="wrong" role="alert">
      {{ wordsOf(problem) }}
    </p>
  </div>
</template>

<style scoped>
.bed {
  display: grid;
  grid-template-columns: minmax(6rem, 1fr) 10rem 10rem 5rem 8.5rem 5rem 6.5rem;
  gap: 0 0.8rem;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
.pair {
  display: flex;
  gap: 0.2rem;
  align-items: center;
}
.ends {
  display: flex;
  gap: 0.6rem;
  justify-content: end;
}
.grip {
  cursor: move;
  padding: 0 0.3rem;
}
.wrong {
  grid-column: 1 / -1;
}
@container leaf (max-width: 820px) {
  .bed {
    grid-template-columns: 1fr 1fr;
    padding: 0.4rem 0;
  }
}
</style>
