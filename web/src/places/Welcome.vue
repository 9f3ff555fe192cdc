<script setup lang="ts">
// The first screen of an empty file: three fields and one line lead to a first
// ribbon.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { answer, api, Refused, type DemoHousehold, type Household, type HouseholdRead, type Member } from '../lib/api'
import { fieldError, useHousehold, wordsOf } from '../lib/household'
import { useLine } from '../lib/lines'
import { plainNumber } from '../lib/units'
import { count, yearDay } from '../lib/words'
import LineReadings from '../parts/LineReadings.vue'

const store = useHousehold()
const adults = ref('2')
const children = ref('0')
const climate = ref('river-plain')
const { text, readings, chosen, wrong: lineWrong, accept } = useLine(() => climate.value)
const wrong = ref<Record<string, string>>({})

const climates = computed(() => store.reference?.climates ?? [])
const place = computed(() => climates.value.find((c) => c.id === climate.value)?.place)
const frosts = computed(() => {
  const p = place.value
  if (!p) return ''
  return p.frost_free ? 'no frost' : `last frost about ${yearDay(p.last_frost)}, first about ${yearDay(p.first_frost)}`
})

function people(): Member[] | undefined {
  const a = plainNumber(adults.value)
  const c = plainNumber(children.value)
  wrong.value = {}
  const whole = (n: number) => Number.isInteger(n) && n >= 0 && n <= 40
  if (!whole(a)) wrong.value['adults'] = 'Wanted: a whole number from 0 to 40.'
  if (!whole(c)) wrong.value['children'] = 'Wanted: a whole number from 0 to 40.'
  if (whole(a) && whole(c) && a + c === 0) wrong.value['adults'] = 'Wanted: at least one who eats here.'
  if (Object.keys(wrong.value).length) return undefined
  const make = (n: number, band: Member['band'], name: string): Member[] =>
    Array.from({ length: n }, (_, i) => ({ id: '', name: n > 1 ? `${name} ${i + 1}` : name, band }))
  return [...make(a, 'adult', 'Grown-up'), ...make(c, 'child', 'Child')]
}

async function begin() {
  const members = people()
  const reading = await accept()
  if (!members || !place.value || !reading) return
  const household: Household = {
    name: 'Our household',
    year: 0, // the binary takes the year that lies ahead
    start: '',
    risk: 'usual',
    place: place.value,
    members,
    guests: [],
    stores: [],
    wishes: [reading.wish],
    overrules: [],
    lots: [],
    patches: [],
    own_crops: [],
    own_preparations: [],
    habits: [],
    plantings: [],
    weather: [],
    beds: [],
    placements: [],
  }
  const p = await store.edit({ command: 'begin', household })
  if (p) wrong.value = { line: fieldError(p, 'wishes') || p.detail }
}

// Made-up households to look around in.
const demos = ref<DemoHousehold[]>([])
onMounted(async () => {
  try {
    demos.value = await answer(() => api.GET('/demo-households'))
  } catch (e) {
    if (!(e instanceof Refused)) throw e // without them one begins with a household of one's own
  }
})
async function lookAround(d: DemoHousehold) {
  const p = await store.edit({ command: 'begin', household: d.household })
  if (p) fileWrong.value = wordsOf(p)
}

// A household file that was saved.
const file = ref<HTMLInputElement>()
const read = ref<HouseholdRead>()
const fileWrong = ref('')
async function readFile(e: Event) {
  const input = e.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  read.value = undefined
  fileWrong.value = ''
  try {
    const text = await chosen.text()
    read.value = await answer(() => api.POST('/household-file-read', { body: { text } }))
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    fileWrong.value = `${chosen.name}: ${error.problem.fields?.length ? error.problem.fields.map((f) => `${f.field} is “${f.value}”; wanted: ${f.allowed}.`).join(' ') : error.problem.detail}`
  }
}
async function takeFile() {
  if (!read.value) return
  const p = await store.edit({ command: 'begin', household: read.value.household })
  if (p) fileWrong.value = wordsOf(p)
}
</script>

<template>
  <div class="welcome">
    <h1>What does your family eat?</h1>
    <p class="lead">
      Type one thing you eat or put up. Inventory works out the plants, the ground and the dates, and shows its sums.
    </p>
    <form @submit.prevent="begin">
      <div class="fields">
        <label class="field">
          <span>Grown-ups at the table</span>
          <ElInput v-model="adults" class="number" inputmode="numeric" />
          <span v-if="wrong['adults']" class="wrong" role="alert">{{ wrong['adults'] }}</span>
        </label>
        <label class="field">
          <span>Children</span>
          <ElInput v-model="children" class="number" inputmode="numeric" />
          <span v-if="wrong['children']" class="wrong" role="alert">{{ wrong['children'] }}</span>
        </label>
        <label class="field climate">
          <span>A climate like yours, to begin with</span>
          <ElSelect v-model="climate" aria-label="A climate like yours">
            <ElOption v-for="c in climates" :key="c.id" :value="c.id" :label="c.words" />
          </ElSelect>
          <span class="quiet small">{{ frosts }}; put in your own later, under House</span>
        </label>
      </div>
      <label class="field line">
        <span>A first wish, as you would say it</span>
        <ElInput v-model="text" size="large" placeholder="carrots 2x week" autofocus aria-label="A first wish" />
      </label>
      <LineReadings v-model:chosen="chosen" :readings="readings" :wrong="lineWrong || wrong['line'] || ''" />
      <p class="quiet small">
        Others: “35 qt tomato sauce”, “6 heads lettuce a week may-oct”, “5 kg dry beans”, “24 marigold plants”
      </p>
      <div class="go">
        <ElButton type="primary" native-type="submit" size="large">Show me the year</ElButton>
      </div>
    </form>
    <section class="other" aria-label="Begin in another way">
      <h2>Or begin in another way</h2>
      <p>
        <label class="link" tabindex="0" @keydown.enter="file?.click()"
          >From a household file<input
            ref="file"
            type="file"
            accept=".json,application/json"
            class="hidden-words"
            aria-label="A household file"
            @change="readFile" /></label
        ><span class="quiet small">, such as House saved</span>
      </p>
      <div v-if="read" class="read" role="status">
        <b>{{ read.household.name }}</b>, the year {{ read.household.year || 'that lies ahead' }}:
        {{ count(read.household.members.length, 'person', 'people') }},
        {{ count(read.household.wishes.length, 'wish', 'wishes') }}, {{ count(read.household.beds.length, 'bed') }}
        <template v-if="read.unknown.length"
          >; {{ count(read.unknown.length, 'entry', 'entries') }} not in this crop book, kept to be mended</template
        >.
        <ElButton type="primary" size="small" data-take-file @click="takeFile">Begin with it</ElButton>
        <ElButton size="small" @click="read = undefined">Leave it</ElButton>
      </div>
      <p v-if="fileWrong" class="wrong" role="alert">{{ fileWrong }}</p>
      <p v-if="demos.length">Look around in a made-up household:</p>
      <ul>
        <li v-for="d in demos" :key="d.id">
          <button type="button" class="link" :data-demo="d.id" @click="lookAround(d)">{{ d.household.name }}</button>
          <span class="quiet small"> {{ d.words }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.welcome {
  max-width: 46rem;
  margin: 6vh auto 0;
  padding: 0 1.2rem 2rem;
}
h1 {
  font-size: 2.1rem;
}
.lead {
  font-size: 1.1rem;
  margin: 0.5rem 0 1.8rem;
  max-width: 36rem;
}
.fields {
  display: grid;
  grid-template-columns: 10rem 8rem 1fr;
  gap: 0.5rem 1.5rem;
  margin-bottom: 1.3rem;
}
.line :deep(.el-input__inner) {
  font-family: var(--serif);
  font-size: 1.5rem;
}
.go {
  margin-top: 1.3rem;
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem 1.5rem;
  align-items: center;
}
.other {
  margin-top: 2.2rem;
  border-top: 1px solid var(--hair);
  padding-top: 0.8rem;
}
.other h2 {
  font-size: 1.1rem;
  margin-bottom: 0.3rem;
}
.other p,
.other ul {
  margin: 0.25rem 0;
}
.other ul {
  list-style: none;
  padding: 0;
}
.other li {
  padding: 0.12rem 0;
}
.other li .quiet {
  margin-left: 0.5rem;
}
.read {
  border-left: 3px solid var(--ink-2);
  padding: 0.3rem 0.8rem;
}
.read .el-button {
  margin-left: 0.6rem;
}
@media (max-width: 720px) {
  .welcome {
    margin-top: 1.5rem;
  }
  h1 {
    font-size: 1.6rem;
  }
  .fields {
    grid-template-columns: 1fr 1fr;
  }
  .climate {
    grid-column: 1 / -1;
  }
}
</style>
