<script setup lang="ts">
// One bed by its measures; opened, what it is filled with, what covers it, what
// stands in it now, what stood in it, and how it is divided.
import { ElCheckbox, ElInput } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Bed, Problem } from '../../lib/api'
import { sunWords, useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { usePlots } from '../../lib/plots'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { coverWords } from '../../lib/words'
import NotesOf from '../../parts/NotesOf.vue'
import NumberInput from '../../parts/NumberInput.vue'
import BedBeside from './BedBeside.vue'
import BedMore from './BedMore.vue'

const props = defineProps<{ bed: Bed; isNew?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const ground = useGround()
const { plots } = usePlots()
const { say } = useUnits()
const copy = (b: Bed): Bed => JSON.parse(JSON.stringify(b)) as Bed
const draft = reactive<Bed>(copy(props.bed))
const problem = ref<Problem>()
const open = ref(false)
watch(
  () => JSON.stringify(props.bed),
  () => {
    if (problem.value) return
    for (const key of Object.keys(draft)) delete (draft as Record<string, unknown>)[key]
    Object.assign(draft, copy(props.bed))
  },
)

async function save() {
  if (!props.isNew && JSON.stringify(draft) === JSON.stringify(props.bed)) {
    problem.value = undefined
    return undefined
  }
  problem.value = await store.edit({ command: props.isNew ? 'add-bed' : 'change-bed', bed: copy(draft) })
  if (!problem.value) emit('done')
  return problem.value
}
const change = () => {
  if (!props.isNew) void save()
}
async function remove() {
  problem.value = await store.edit({ command: 'remove-bed', target: props.bed.id })
}
async function divide(parts: number) {
  problem.value = await store.edit({ command: 'divide-bed', target: props.bed.id, parts })
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

function at(x: number, y: number) {
  draft.x = x
  draft.y = y
  problem.value = undefined
}
const others = computed(() =>
  (store.household?.beds ?? []).filter((b) => b.id !== props.bed.id && b.plot === props.bed.plot),
)
const sun = computed(() => ground.layout?.suns.find((s) => s.bed === props.bed.id))
/** Said in a few words, so that the row need not be opened to know. */
const notes = computed(() =>
  [
    props.bed.kind === 'open' ? 'plot without beds' : '',
    props.bed.kind === 'containers' ? `${props.bed.count} × ${say(props.bed.litre ?? 0, 'L')}` : '',
    props.bed.soil ? `${say(props.bed.soil * 100, 'cm')} of soil` : '',
    props.bed.climb ? 'trellis' : '',
    props.bed.plot ? plots.value.find((p) => p.id === props.bed.plot)?.name : '',
    (props.bed.warmer || props.bed.earlier || 0) > 0 ? 'warmer ground' : '',
    (props.bed.warmer || props.bed.earlier || 0) < 0 ? 'colder ground' : '',
    props.bed.cover ? coverWords[props.bed.cover] : '',
    sun.value && sun.value.class !== 'full' ? sunWords[sun.value.class] : '',
    (props.bed.stands ?? []).map((s) => s.name + ' stands').join(', '),
  ]
    .filter(Boolean)
    .join(' · '),
)
</script>

<template>
  <div class="bed" :data-bed="bed.id" data-row>
    <ElInput v-model="draft.name" size="small" aria-label="Name of the bed" @change="change" />
    <span v-if="draft.kind === 'containers'" class="pair">
      <NumberInput v-model="draft.count" label="Containers" @done="change" /> ×
      <NumberInput v-model="draft.litre" unit="L" suffix label="Litres of one" @done="change" />
    </span>
    <span v-else class="pair"
      ><NumberInput v-model="draft.length" unit="m" label="Length" @done="change" /> ×
      <NumberInput v-model="draft.width" unit="m" suffix label="Width" @done="change"
    /></span>
    <span class="pair"
      ><NumberInput v-model="draft.x" unit="m" label="From the left" @done="change" />,
      <NumberInput v-model="draft.y" unit="m" suffix label="From the front edge" @done="change"
    /></span>
    <ElCheckbox v-model="draft.turned" size="small" @change="change">crosswise</ElCheckbox>
    <span class="small quiet notes">{{ notes }}</span>
    <span v-if="isNew" class="ends"
      ><button type="button" class="link" @click="save">Add</button>
      <button type="button" class="link" @click="emit('done')">Cancel</button></span
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
      <button
        type="button"
        class="link"
        :aria-expanded="open"
        :aria-label="`More of ${bed.name}`"
        @click="open = !open"
      >
        {{ open ? 'less' : 'more' }}
      </button>
      <button type="button" class="link" @click="remove">Remove</button></span
    >
    <BedBeside
      v-if="isNew && others.length"
      class="beside"
      :bed="draft"
      :others="others"
      @at="at"
      @refused="problem = $event"
    />
    <p v-if="problem" class="wrong" role="alert">
      {{ wordsOf(problem) }}
    </p>
    <BedMore
      v-if="open || isNew"
      v-model="draft"
      class="more"
      :bed="bed"
      :is-new="isNew"
      :save="save"
      @divide="divide"
    />
    <NotesOf v-if="open && !isNew" class="notes-of" :about="{ bed: bed.id }" :name="bed.name" />
  </div>
</template>

<style scoped>
.bed {
  display: grid;
  grid-template-columns: minmax(6rem, 9rem) 10rem 10rem 5rem minmax(6rem, 1fr) 8rem;
  gap: 0 var(--space-5);
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
.pair {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
.ends {
  display: flex;
  gap: var(--space-4);
  justify-content: end;
}
.grip {
  cursor: move;
  padding: 0 var(--space-3);
}
.notes-of {
  grid-column: 1 / -1;
  padding: var(--space-3) 0 var(--space-5);
  max-width: 44rem;
}
.wrong,
.more,
.beside {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: center;
}
@container leaf (max-width: 820px) {
  .bed {
    grid-template-columns: 1fr 1fr;
    padding: var(--space-4) 0;
  }
}
</style>
