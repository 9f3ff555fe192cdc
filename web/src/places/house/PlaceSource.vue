<script setup lang="ts">
// Where the normals of a place may come from: a weather file, or a weather station.
import { ElButton, ElInput } from 'element-plus'
import { ref, watch } from 'vue'
import { answer, api, Refused, type WeatherRecord } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { linesOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import FilePick from '../../parts/FilePick.vue'
import WrongLines from '../../parts/WrongLines.vue'

const emit = defineEmits<{ record: [r: WeatherRecord]; begin: [] }>()
const store = useHousehold()
const { shown } = useUnits()
const degrees = ref<'C' | 'F'>(shown('°C').unit === '°F' ? 'F' : 'C')
const wrong = ref<string[]>([])
const asking = ref(false)
const address = ref('')
const stations = ref<{ id: string; name: string }[]>([])
const fetching = ref(false)
watch(asking, () => {
  if (!address.value) address.value = store.reference?.station ?? ''
})

/** Asks the binary, and tells what was wrong with what it was asked. */
async function told(ask: () => Promise<void>) {
  wrong.value = []
  emit('begin')
  try {
    await ask()
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    wrong.value = linesOf(e.problem)
  }
}
function readFile(text: string) {
  return told(async () => {
    emit('record', await answer(() => api.POST('/weather-read', { body: { text, degrees: degrees.value } })))
  })
}
/** Asks the station which places it has, or fetches the days of one. */
async function station(id: string) {
  fetching.value = true
  await told(async () => {
    const r = await answer(() => api.POST('/station-read', { body: { address: address.value, station: id } }))
    stations.value = r.places
    if (r.record) emit('record', r.record)
  })
  fetching.value = false
}
</script>

<template>
  <div class="weather small no-print">
    <FilePick words="read a weather file" accept=".csv,text/csv" label="A weather file" @read="readFile" />
    <span class="quiet">CSV with the columns DATE, TMAX, TMIN, in</span>
    <ChoiceButtons
      v-model="degrees"
      label="Temperature unit of the file"
      :options="[
        { value: 'C', words: '°C' },
        { value: 'F', words: '°F' },
      ]"
    />
    <button type="button" class="link" :aria-expanded="asking" @click="asking = !asking">
      or get it from a weather station
    </button>
  </div>
  <div v-if="asking" class="weather small no-print">
    <ElInput
      v-model="address"
      size="small"
      class="address"
      placeholder="Address"
      aria-label="Address of the weather station"
      @keydown.enter.prevent="station('')"
    />
    <ElButton size="small" :disabled="fetching || !address.trim()" @click="station('')">Show its locations</ElButton>
    <span v-if="stations.length" class="quiet">Get weather</span>
    <button v-for="p in stations" :key="p.id" type="button" class="link" :disabled="fetching" @click="station(p.id)">
      {{ p.name }}
    </button>
  </div>
  <WrongLines :lines="wrong" />
</template>

<style scoped>
.weather {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: center;
  margin-bottom: var(--space-3);
}
.address {
  width: 15rem;
}
.weather :deep(.choice button) {
  padding: var(--space-1) var(--space-4);
}
</style>
