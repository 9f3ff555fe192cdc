<script setup lang="ts">
// One bed by its measures; opened, what it is filled with, what covers it, what
// stands in it now, what stood in it, and how it is divided.
import { ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import { answer, api, Refused, type Bed, type Problem, type StandingCrop } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold, wordsOf } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, coverWords, fullDay } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import StandingForm from './StandingForm.vue'

const props = defineProps<{ bed: Bed; isNew?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
const copy = (b: Bed): Bed => JSON.parse(JSON.stringify(b)) as Bed
const draft = reactive<Bed>(copy(props.bed))
const problem = ref<Problem>()
const open = ref(false)
const adding = ref(false)
const parts = ref(2)
watch(
  () => JSON.stringify(props.bed),
  () => {
    if (problem.value) return
    for (const key of Object.keys(draft)) delete (draft as Record<string, unknown>)[key]
    Object.assign(draft, copy(props.bed))
  },
)

/** The depth of soil, in cm: feet would be too coarse a word for it. */
const soil = computed({
  get: () => (draft.soil === undefined ? undefined : draft.soil * 100),
  set: (cm) => (draft.soil = cm === undefined ? undefined : cm / 100),
})

async function save() {
  if (!props.isNew && JSON.stringify(draft) === JSON.stringify(props.bed)) {
    problem.value = undefined
    return
  }
  problem.value = await store.edit({ command: props.isNew ? 'add-bed' : 'change-bed', bed: copy(draft) })
  if (!problem.value) emit('done')
}
const change = () => {
  if (!props.isNew) void save()
}
function set<K extends keyof Bed>(field: K, value: Bed[K]) {
  draft[field] = value
  change()
}
async function remove() {
  problem.value = await store.edit({ command: 'remove-bed', target: props.bed.id })
}
async function divide() {
  problem.value = await store.edit({ command: 'divide-bed', target: props.bed.id, parts: parts.value })
}
async function stands(list: StandingCrop[]) {
  draft.stands = list
  await save()
  if (!problem.value) adding.value = false
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

// A new bed may be measured from one that is there.
const from = reactive({ of: '', side: 'right', apart: 0.9 })
async function beside() {
  if (!from.of) return
  try {
    const b = await answer(() => api.POST('/bed-beside', { body: { bed: copy(draft), ...from } }))
    draft.x = b.x
    draft.y = b.y
    problem.value = undefined
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.problem
  }
}
const others = computed(() => (store.household?.beds ?? []).filter((b) => b.id !== props.bed.id))
const sun = computed(() => ground.layout?.suns.find((s) => s.bed === props.bed.id))
const sunWords: Record<string, string> = { full: 'full sun', part: '4 to 6 h of sun', shade: 'less than 4 h of sun' }
const choices = computed(() => [
  {
    field: 'kind' as const,
    words: 'kind of ground',
    label: 'Kind of ground',
    options: { '': 'a bed', open: 'rows in an open plot', containers: 'containers, grow bags' },
  },
  {
    field: 'sun' as const,
    words: 'sun',
    label: 'Sun',
    options: {
      '': sun.value?.hours ? `as reckoned: ${sunWords[sun.value.class]}` : 'full sun',
      ...(sun.value?.hours ? { full: 'full sun' } : {}),
      part: '4 to 6 h of sun',
      shade: 'less than 4 h',
    },
  },
  { field: 'cover' as const, words: 'cover over it', label: 'Cover over the bed', options: coverWords },
])
/** Said in a few words, so that the row need not be opened to know. */
const notes = computed(() =>
  [
    props.bed.kind === 'open' ? 'open plot' : '',
    props.bed.kind === 'containers' ? `${props.bed.count} × ${say(props.bed.litre ?? 0, 'L')}` : '',
    props.bed.soil ? `${say(props.bed.soil * 100, 'cm')} of soil` : '',
    props.bed.climb ? 'trellis' : '',
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
      <NumberInput v-model="draft.y" unit="m" suffix label="From the front" @done="change"
    /></span>
    <ElCheckbox v-model="draft.turned" size="small" @change="change">turned</ElCheckbox>
    <span class="small quiet notes">{{ notes }}</span>
    <span v-if="isNew" class="ends"
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
      <button
        type="button"
        class="link"
        :aria-expanded="open"
        :aria-label="`More of ${bed.name}`"
        @click="open = !open"
      >
        {{ open ? 'less' : 'more' }}
      </button>
      <button type="button" class="link" @click="remove">remove</button></span
    >
    <p v-if="isNew && others.length" class="beside small">
      or measured from
      <ElSelect v-model="from.of" size="small" placeholder="a bed" aria-label="Measured from" @change="beside">
        <ElOption v-for="b in others" :key="b.id" :value="b.id" :label="b.name" />
      </ElSelect>
      <NumberInput v-model="from.apart" unit="m" suffix label="Apart" @done="beside" />
      <ElSelect v-model="from.side" size="small" aria-label="On which side" @change="beside">
        <ElOption value="right" label="right of it" />
        <ElOption value="left" label="left of it" />
        <ElOption value="behind" label="behind it" />
        <ElOption value="before" label="before it" />
      </ElSelect>
    </p>
    <p v-if="problem" class="wrong" role="alert">
      {{ wordsOf(problem) }}
    </p>
    <div v-if="open || isNew" class="more">
      <label v-for="f in choices" :key="f.field" class="field"
        ><span>{{ f.words }}</span>
        <ElSelect
          :model-value="draft[f.field] ?? ''"
          size="small"
          :aria-label="f.label"
          :empty-values="[null, undefined]"
          @change="set(f.field, $event)"
        >
          <ElOption v-for="(label, value) in f.options" :key="value" :value="value" :label="label" />
        </ElSelect>
      </label>
      <ElCheckbox v-model="draft.climb" size="small" @change="change">trellis</ElCheckbox>
      <template v-if="draft.kind !== 'containers'">
        <label class="field"
          ><span>depth of soil</span
          ><NumberInput v-model="soil" unit="cm" suffix blank label="Depth of soil" @done="change"
        /></label>
        <label class="field"
          ><span>measured in</span
          ><NumberInput v-model="draft.measured" blank label="Year it was measured" @done="change"
        /></label>
        <label class="field"
          ><span>settles in a year by</span
          ><NumberInput v-model="draft.settles" unit="share" suffix blank label="Settles in a year by" @done="change"
        /></label>
        <label class="field"
          ><span>edge kept free</span
          ><NumberInput
            v-model="draft.edge"
            unit="m"
            suffix
            blank
            label="Edge kept free"
            placeholder="as usual"
            @done="change"
        /></label>
      </template>
      <p v-if="sun?.hours" class="sun small">
        Sun on a middle day, hours:
        <span v-for="(h, m) in sun.hours" :key="m"
          ><i>{{ 'JFMAMJJASOND'[m] }}</i> {{ h.toFixed(1) }}</span
        >
      </p>
      <div v-if="!isNew" class="now">
        <h4>Stands there now</h4>
        <p v-for="(s, i) in bed.stands ?? []" :key="i" class="small">
          <b>{{ s.name }}</b> on {{ say(s.length, 'm') }} from {{ say(s.at, 'm') }} on, until {{ fullDay(s.until) }}
          <button
            type="button"
            class="link"
            :aria-label="`Cleared: ${s.name}`"
            @click="stands((bed.stands ?? []).filter((_, k) => k !== i))"
          >
            cleared
          </button>
        </p>
        <StandingForm v-if="adding" :bed="bed" @add="stands([...(bed.stands ?? []), $event])" @leave="adding = false" />
        <button v-else type="button" class="link small" @click="adding = true">put down what stands there</button>
      </div>
      <p v-if="!isNew" class="divide small">
        <button type="button" class="link" @click="divide">divide it</button> into
        <NumberInput v-model="parts" label="Into how many parts" /> beds of their own, so that the rotation of each is
        kept; {{ count((bed.stood ?? []).length, 'year') }} of history go with each
      </p>
    </div>
  </div>
</template>

<style scoped>
.bed {
  display: grid;
  grid-template-columns: minmax(6rem, 9rem) 10rem 10rem 5rem minmax(6rem, 1fr) 8rem;
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
.wrong,
.more,
.beside {
  grid-column: 1 / -1;
}
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.beside > * {
  width: 8rem;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.1rem;
  align-items: end;
  padding: 0.3rem 0 0.7rem 1rem;
}
.more .field {
  width: 8.5rem;
}
.now,
.sun,
.divide {
  flex-basis: 100%;
}
.sun span {
  display: inline-block;
  min-width: 2.9rem;
  font-variant-numeric: tabular-nums lining-nums;
}
.sun i {
  font-style: normal;
  color: var(--ink-2);
}
h4 {
  margin: 0.2rem 0 0;
  font-family: var(--serif);
  font-weight: 600;
  font-size: 0.95rem;
}
.divide .number-input {
  display: inline-block;
  width: 2.4rem;
}
@container leaf (max-width: 820px) {
  .bed {
    grid-template-columns: 1fr 1fr;
    padding: 0.4rem 0;
  }
}
</style>
