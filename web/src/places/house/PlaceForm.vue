<script setup lang="ts">
// Where the household grows: latitude, frosts and the normals of its months.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Place, Problem, WeatherRecord } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import { count, fullDay } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import DayField from '../../parts/DayField.vue'
import PlaceNormals from './PlaceNormals.vue'
import PlaceSource from './PlaceSource.vue'
import YearChart from './YearChart.vue'

const store = useHousehold()
const draft = reactive<Place>(copy())
const problem = ref<Problem>()
const climate = ref('')

function copy(): Place {
  return JSON.parse(JSON.stringify(store.household?.place ?? {})) as Place
}
const recent = ref<WeatherRecord['recent']>()
const changed = computed(() => !!recent.value || JSON.stringify(draft) !== JSON.stringify(store.household?.place))
watch(
  () => JSON.stringify(store.household?.place),
  () => Object.assign(draft, copy()),
)

async function save() {
  const place: Place = { ...draft }
  if (place.frost_free) {
    place.last_frost = ''
    place.first_frost = ''
  }
  problem.value = recent.value
    ? await store.edit({ command: 'set-weather', place, weather: recent.value })
    : await store.edit({ command: 'set-place', place })
  if (!problem.value) {
    recent.value = undefined
    record.value = []
  }
}

function leave() {
  record.value = []
  recent.value = undefined
  Object.assign(draft, copy())
  problem.value = undefined
}

const record = ref<string[]>([])
/** Takes the normals and frosts of a weather record; nothing is saved until Save. */
function takeRecord(r: WeatherRecord) {
  Object.assign(draft, JSON.parse(JSON.stringify(r.place)))
  recent.value = r.recent.length ? r.recent : undefined
  record.value = [`From ${r.days} days, ${count(r.years, 'whole year')}`, ...r.notes]
  if (recent.value) record.value.push('this year’s weather will replace the averages')
}
const been = computed(() => store.household?.weather ?? [])
async function forget() {
  problem.value = await store.edit({ command: 'set-weather', weather: [] })
}

function take(id: string) {
  const found = store.reference?.climates.find((c) => c.id === id)
  if (found) Object.assign(draft, JSON.parse(JSON.stringify(found.place)))
  climate.value = ''
}

const named = [
  'name',
  'latitude',
  'altitude',
  'last_frost',
  'first_frost',
  'frost_spread',
  'frost_free',
  'mean_max',
  'mean_min',
  'rain',
]
const at = (...f: string[]) => fieldError(problem.value, ...f)
</script>

<template>
  <section aria-label="Location and climate">
    <h3>
      Location and climate
      <span class="aside">
        <ElSelect
          v-model="climate"
          size="small"
          placeholder="start from a climate like yours"
          aria-label="Start from a climate like yours"
          @change="take"
        >
          <ElOption v-for="c in store.reference?.climates ?? []" :key="c.id" :value="c.id" :label="c.words" />
        </ElSelect>
      </span>
    </h3>
    <PlaceSource @record="takeRecord" @begin="record = []" />
    <p v-if="been.length" class="small quiet">
      {{ count(been.length, 'day') }} of real weather, to {{ fullDay(been[been.length - 1]?.date ?? '') }}. This year’s
      weather replaces the averages.
      <button type="button" class="link no-print" @click="forget">Remove this weather</button>
    </p>
    <p v-if="record.length" class="small" role="status">{{ record.join('; ') }}.</p>
    <div class="facts">
      <label class="field name">
        <span>Name</span>
        <ElInput v-model="draft.name" size="small" aria-label="Name of the location" />
        <span v-if="at('name')" class="wrong" role="alert">{{ at('name') }}</span>
      </label>
      <label class="field">
        <span>Latitude, north +</span>
        <NumberInput v-model="draft.latitude" label="Latitude" />
        <span v-if="at('latitude')" class="wrong" role="alert">{{ at('latitude') }}</span>
      </label>
      <label class="field">
        <span>Altitude</span>
        <NumberInput v-model="draft.altitude" unit="m" suffix label="Altitude" />
        <span v-if="at('altitude')" class="wrong" role="alert">{{ at('altitude') }}</span>
      </label>
    </div>
    <div class="frosts">
      <ElCheckbox v-model="draft.frost_free">no frost here</ElCheckbox>
      <template v-if="!draft.frost_free">
        <div class="field">
          <span>Usual last spring frost</span>
          <DayField v-model="draft.last_frost" label="Last spring frost" />
          <span v-if="at('last_frost')" class="wrong" role="alert">{{ at('last_frost') }}</span>
        </div>
        <div class="field">
          <span>Usual first autumn frost</span>
          <DayField v-model="draft.first_frost" label="First autumn frost" />
          <span v-if="at('first_frost', 'frost_free')" class="wrong" role="alert">{{
            at('first_frost', 'frost_free')
          }}</span>
        </div>
        <label class="field spread">
          <span>differs by (days)</span>
          <NumberInput v-model="draft.frost_spread" label="Days by which the frost dates differ" />
          <span v-if="at('frost_spread')" class="wrong" role="alert">{{ at('frost_spread') }}</span>
        </label>
      </template>
    </div>
    <YearChart :place="draft" />
    <PlaceNormals :place="draft" @set="(of, month, value) => (draft[of][month] = value)" />
    <p v-for="f in ['mean_max', 'mean_min', 'rain']" :key="f" class="wrong" role="alert">{{ at(f) }}</p>
    <p v-if="otherErrors(problem, ...named)" class="wrong" role="alert">{{ otherErrors(problem, ...named) }}</p>
    <div v-if="changed" class="buttons no-print">
      <ElButton type="primary" @click="save">Save</ElButton>
      <ElButton @click="leave">Cancel</ElButton>
      <span class="quiet small">not saved yet</span>
    </div>
  </section>
</template>

<style scoped>
.aside :deep(.el-select) {
  width: 16rem;
}
.facts {
  display: grid;
  grid-template-columns: 1fr 8rem 8rem;
  gap: var(--space-4) var(--space-6);
}
.frosts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  margin: var(--space-4) 0 var(--space-4);
}
.spread {
  width: 6.5rem;
}
.buttons {
  margin-top: var(--space-4);
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
@container leaf (max-width: 620px) {
  .facts {
    grid-template-columns: 1fr 1fr;
  }
  .name {
    grid-column: 1 / -1;
  }
}
</style>
