<script setup lang="ts">
// More of a bed: what it is filled with, its sun, what covers it, what stands in it now,
// and how it is divided.
import { ElCheckbox, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Bed, Problem, StandingCrop } from '../../lib/api'
import { sunWords, useGround, stoodIn } from '../../lib/ground'
import { usePlots } from '../../lib/plots'
import { useUnits } from '../../lib/units'
import { count, coverWords, fullDay } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import StandingForm from './StandingForm.vue'
import WarmthField from './WarmthField.vue'
import { fixed } from '../../lib/numbers'

const props = defineProps<{ bed: Bed; isNew?: boolean; save: () => Promise<Problem | undefined> }>()
defineEmits<{ divide: [parts: number] }>()
/** The bed as it is edited. */
const draft = defineModel<Bed>({ required: true })
const ground = useGround()
const { say } = useUnits()
const { plots } = usePlots()
const adding = ref(false)
const parts = ref(2)
const sun = computed(() => ground.layout?.suns.find((s) => s.bed === props.bed.id))

/** The depth of soil, in cm: feet would be too coarse a word for it. */
const soil = computed({
  get: () => (draft.value.soil === undefined ? undefined : draft.value.soil * 100),
  set: (cm) => (draft.value.soil = cm === undefined ? undefined : cm / 100),
})

const change = () => {
  if (!props.isNew) void props.save()
}
function set<K extends keyof Bed>(field: K, value: Bed[K]) {
  draft.value[field] = value
  change()
}
function warm(w: { warmer?: number; earlier?: number }) {
  draft.value.warmer = w.warmer
  draft.value.earlier = w.earlier
  change()
}
async function stands(list: StandingCrop[]) {
  draft.value.stands = list
  if (!(await props.save())) adding.value = false
}
const choices = computed(() => [
  {
    field: 'kind' as const,
    words: 'what it is',
    label: 'What it is',
    options: { '': 'a bed', open: 'rows in a plot without beds', containers: 'containers, grow bags' },
  },
  {
    field: 'sun' as const,
    words: 'sun',
    label: 'Sun',
    options: {
      '': sun.value?.hours ? `worked out: ${sunWords[sun.value.class]}` : 'full sun',
      ...(sun.value?.hours ? { full: 'full sun' } : {}),
      part: '4 to 6 h of sun',
      shade: 'shade (less than 4 h)',
    },
  },
  {
    field: 'texture' as const,
    words: 'its soil',
    label: 'Kind of soil',
    options: { '': 'not said', sand: 'sand: dries fast', loam: 'loam', clay: 'clay: stays wet' },
  },
  { field: 'cover' as const, words: 'cover over it', label: 'Cover over the bed', options: coverWords },
])
</script>

<template>
  <div class="more">
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
        ><span>soil sinks each year by</span
        ><NumberInput v-model="draft.settles" unit="share" suffix blank label="Soil sinks each year by" @done="change"
      /></label>
      <label class="field"
        ><span>unplanted edge</span
        ><NumberInput
          v-model="draft.edge"
          unit="m"
          suffix
          blank
          label="Unplanted edge"
          placeholder="as usual"
          @done="change"
      /></label>
    </template>
    <WarmthField of="the bed" than="the plot" :warmer="draft.warmer" :earlier="draft.earlier" @change="warm" />
    <label v-if="plots.length > 1" class="field"
      ><span>lies on</span>
      <ElSelect
        :model-value="draft.plot ?? ''"
        size="small"
        aria-label="Plot of the bed"
        :empty-values="[null, undefined]"
        @change="set('plot', $event || undefined)"
      >
        <ElOption v-for="p in plots" :key="p.id" :value="p.id" :label="p.name" />
      </ElSelect>
    </label>
    <p v-if="sun?.hours" class="sun small">
      Hours of sun by month:
      <span v-for="(h, m) in sun.hours" :key="m"
        ><i>{{ 'JFMAMJJASOND'[m] }}</i> {{ fixed(h, 1) }}</span
      >
    </p>
    <div v-if="!isNew" class="now">
      <h4>Growing here now</h4>
      <p v-for="(s, i) in bed.stands ?? []" :key="i" class="small">
        <b>{{ s.name }}</b> on {{ say(s.length, 'm') }} from {{ say(s.at, 'm') }} on, until {{ fullDay(s.until) }}
        <button
          type="button"
          class="link"
          :aria-label="`Cleared: ${s.name}`"
          @click="stands((bed.stands ?? []).filter((_, k) => k !== i))"
        >
          Cleared
        </button>
      </p>
      <StandingForm v-if="adding" :bed="bed" @add="stands([...(bed.stands ?? []), $event])" @leave="adding = false" />
      <button v-else type="button" class="link small" @click="adding = true">Add what is growing here</button>
    </div>
    <p v-if="!isNew" class="divide small">
      <button type="button" class="link" @click="$emit('divide', parts)">Split this bed</button> into
      <NumberInput v-model="parts" label="Into how many parts" /> separate beds, each with its own rotation;
      {{ count(stoodIn(bed).length, 'year') }} of history go with each
    </p>
  </div>
</template>

<style scoped>
.more {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: end;
  padding: var(--space-3) 0 var(--space-5) var(--space-6);
}
.more .field {
  width: 8.5rem;
}
.more .field:has(.el-select) {
  width: 11rem;
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
  margin: var(--space-2) 0 0;
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-text);
}
.divide .number-input {
  display: inline-block;
  width: 2.4rem;
}
</style>
