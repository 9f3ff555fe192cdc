<script setup lang="ts">
// Where the household grows: latitude, frosts and the normals of its months.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import { answer, api, Refused, type Place, type Problem, type WeatherRecord } from '../../lib/api'
import { fieldError, otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, fullDay, monthNames } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import DayField from '../../parts/DayField.vue'
import YearChart from './YearChart.vue'

const store = useHousehold()
const { shown } = useUnits()
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
  record.value = fileWrong.value = []
  recent.value = undefined
  Object.assign(draft, copy())
  problem.value = undefined
}

const file = ref<HTMLInputElement>()
const degrees = ref<'C' | 'F'>(shown('°C').unit === '°F' ? 'F' : 'C')
const record = ref<string[]>([])
const fileWrong = ref<string[]>([])

/** Takes normals and frosts from a weather file; nothing is saved until Save. */
async function readFile(e: Event) {
  const chosen = (e.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  fileWrong.value = record.value = []
  try {
    const text = await chosen.text()
    const r = await answer(() => api.POST('/weather-read', { body: { text, degrees: degrees.value } }))
    takeRecord(r)
  } catch (err) {
    refused(err)
  }
  if (file.value) file.value.value = ''
}

function takeRecord(r: WeatherRecord) {
  Object.assign(draft, JSON.parse(JSON.stringify(r.place)))
  recent.value = r.recent.length ? r.recent : undefined
  record.value = [`From ${r.days} days, ${count(r.years, 'whole year')}`, ...r.notes]
  if (recent.value) record.value.push('the days of this year will stand in place of the normals')
}

function refused(err: unknown) {
  if (!(err instanceof Refused)) throw err
  fileWrong.value = (err.problem.fields ?? []).map(
    (f) => `${f.field}: ${f.value === '' ? '' : `“${f.value}” cannot be; `}wanted: ${f.allowed}.`,
  )
  if (!fileWrong.value.length) fileWrong.value = [err.problem.detail]
}

const asking = ref(false)
const address = ref('')
const stations = ref<{ id: string; name: string }[]>([])
const fetching = ref(false)
watch(asking, () => {
  if (!address.value) address.value = store.reference?.station ?? ''
})

/** Asks the station which places it has, or fetches the days of one. */
async function station(id: string) {
  fileWrong.value = record.value = []
  fetching.value = true
  try {
    const r = await answer(() => api.POST('/station-read', { body: { address: address.value, station: id } }))
    stations.value = r.places
    if (r.record) takeRecord(r.record)
  } catch (err) {
    refused(err)
  } finally {
    fetching.value = false
  }
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

const rows = computed(() => [
  { field: 'mean_max' as const, words: 'mean highest', unit: '°C' },
  { field: 'mean_min' as const, words: 'mean lowest', unit: '°C' },
  { field: 'rain' as const, words: 'rain', unit: 'mm' },
])
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
  <section aria-label="Place">
    <h3>
      Place
      <span class="aside">
        <ElSelect
          v-model="climate"
          size="small"
          placeholder="begin from a climate like yours"
          aria-label="Begin from a climate like yours"
          @change="take"
        >
          <ElOption v-for="c in store.reference?.climates ?? []" :key="c.id" :value="c.id" :label="c.words" />
        </ElSelect>
      </span>
    </h3>
    <div class="weather small no-print">
      <label class="link" tabindex="0" @keydown.enter="file?.click()"
        >read a weather file<input
          ref="file"
          type="file"
          accept=".csv,text/csv"
          class="hidden-words"
          aria-label="A weather file"
          @change="readFile"
      /></label>
      <span class="quiet">CSV with DATE, TMAX, TMIN in</span>
      <span class="choice" role="group" aria-label="Degrees of the file">
        <button type="button" class="plain" :aria-pressed="degrees === 'C'" @click="degrees = 'C'">°C</button>
        <button type="button" class="plain" :aria-pressed="degrees === 'F'" @click="degrees = 'F'">°F</button>
      </span>
      <button type="button" class="link" :aria-expanded="asking" @click="asking = !asking">
        or fetch from a weather station
      </button>
    </div>
    <div v-if="asking" class="weather small no-print">
      <ElInput
        v-model="address"
        size="small"
        class="address"
        placeholder="its address"
        aria-label="Where the station answers"
        @keydown.enter.prevent="station('')"
      />
      <ElButton size="small" :disabled="fetching || !address.trim()" @click="station('')"
        >Which places has it?</ElButton
      >
      <span v-if="stations.length" class="quiet">fetch</span>
      <button v-for="p in stations" :key="p.id" type="button" class="link" :disabled="fetching" @click="station(p.id)">
        {{ p.name }}
      </button>
    </div>
    <p v-if="been.length" class="small quiet">
      {{ count(been.length, 'day') }} of real weather, to {{ fullDay(been[been.length - 1]?.date ?? '') }}; those of
      this year stand in place of the normals.
      <button type="button" class="link no-print" @click="forget">forget them</button>
    </p>
    <p v-if="record.length" class="small" role="status">{{ record.join('; ') }}.</p>
    <ul v-if="fileWrong.length" class="wrong small" role="alert">
      <li v-for="w in fileWrong.slice(0, 6)" :key="w">{{ w }}</li>
      <li v-if="fileWrong.length > 6">and {{ fileWrong.length - 6 }} more</li>
    </ul>
    <div class="facts">
      <label class="field name">
        <span>Name</span>
        <ElInput v-model="draft.name" size="small" aria-label="Name of the place" />
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
          <span>Last spring frost, the median</span>
          <DayField v-model="draft.last_frost" label="Last spring frost" />
          <span v-if="at('last_frost')" class="wrong" role="alert">{{ at('last_frost') }}</span>
        </div>
        <div class="field">
          <span>First autumn frost, the median</span>
          <DayField v-model="draft.first_frost" label="First autumn frost" />
          <span v-if="at('first_frost', 'frost_free')" class="wrong" role="alert">{{
            at('first_frost', 'frost_free')
          }}</span>
        </div>
        <label class="field spread">
          <span>give or take, days</span>
          <NumberInput v-model="draft.frost_spread" label="Spread of the frost dates" />
          <span v-if="at('frost_spread')" class="wrong" role="alert">{{ at('frost_spread') }}</span>
        </label>
      </template>
    </div>
    <YearChart :place="draft" />
    <table class="normals">
      <thead>
        <tr>
          <th></th>
          <th v-for="m in monthNames" :key="m">{{ m.slice(0, 3) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.field">
          <th>
            {{ r.words }}, <span class="quiet">{{ shown(r.unit).unit }}</span>
          </th>
          <td v-for="(m, i) in monthNames" :key="m">
            <NumberInput
              :model-value="draft[r.field][i] ?? 0"
              :unit="r.unit"
              :label="`${r.words}, ${m}`"
              @update:model-value="(v) => (draft[r.field][i] = v ?? 0)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-for="f in ['mean_max', 'mean_min', 'rain']" :key="f" class="wrong" role="alert">{{ at(f) }}</p>
    <p v-if="otherErrors(problem, ...named)" class="wrong" role="alert">{{ otherErrors(problem, ...named) }}</p>
    <div v-if="changed" class="buttons no-print">
      <ElButton type="primary" @click="save">Save the place</ElButton>
      <ElButton @click="leave">Leave as it was</ElButton>
      <span class="quiet small">not saved yet</span>
    </div>
  </section>
</template>

<style scoped>
.weather {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.7rem;
  align-items: center;
  margin-bottom: 0.3rem;
}
.address {
  width: 15rem;
}
.weather .choice button {
  padding: 0.05rem 0.5rem;
}
.aside :deep(.el-select) {
  width: 16rem;
}
.facts {
  display: grid;
  grid-template-columns: 1fr 8rem 8rem;
  gap: 0.4rem 1rem;
}
.frosts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.2rem;
  align-items: end;
  margin: 0.5rem 0 0.6rem;
}
.spread {
  width: 6.5rem;
}
.normals {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
.normals th {
  font-weight: 400;
  font-size: 0.78rem;
  text-align: right;
}
.normals th:first-child {
  text-align: left;
  width: 6.4rem;
}
.normals td {
  padding: 0 0 0 0.15rem;
}
.normals :deep(.el-input__wrapper) {
  padding: 0;
}
.normals :deep(.el-input__inner) {
  font-size: 0.9rem;
}
.buttons {
  margin-top: 0.6rem;
  display: flex;
  gap: 0.6rem;
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
  .normals,
  .normals tbody,
  .normals thead {
    display: block;
  }
  .normals tr {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    margin-bottom: 0.5rem;
  }
  .normals tr th:first-child {
    grid-column: 1 / -1;
    width: auto;
  }
  .normals thead {
    display: none;
  }
}
</style>
