<script setup lang="ts">
// The first screen of an empty file: three fields and one line lead to a first
// ribbon.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { type Household, type Member } from '../lib/api'
import { useHousehold } from '../lib/household'
import { fieldError } from '../lib/problems'
import { useLine } from '../lib/lines'
import { plainNumber } from '../lib/numbers'
import { yearDay } from '../lib/words'
import LineReadings from '../parts/LineReadings.vue'
import OtherBegin from './OtherBegin.vue'

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
  if (!whole(a)) wrong.value['adults'] = 'Enter a whole number from 0 to 40.'
  if (!whole(c)) wrong.value['children'] = 'Enter a whole number from 0 to 40.'
  if (whole(a) && whole(c) && a + c === 0) wrong.value['adults'] = 'Enter at least one person.'
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
    measures: [],
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
          <span>Adults</span>
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
          <span class="quiet small">{{ frosts }}; add your own later in House</span>
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
    <OtherBegin />
  </div>
</template>

<style scoped>
.welcome {
  max-width: 46rem;
  margin: 6vh auto 0;
  padding: 0 var(--space-6) var(--space-7);
}
h1 {
  font-size: var(--type-display);
}
.lead {
  font-size: var(--type-large);
  margin: var(--space-4) 0 var(--space-7);
  max-width: 36rem;
}
.fields {
  display: grid;
  grid-template-columns: 10rem 8rem 1fr;
  gap: var(--space-4) var(--space-6);
  margin-bottom: var(--space-6);
}
.line :deep(.el-input__inner) {
  font-family: var(--serif);
  font-size: var(--type-title);
}
.go {
  margin-top: var(--space-6);
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5) var(--space-6);
  align-items: center;
}
@media (max-width: 720px) {
  .welcome {
    margin-top: var(--space-6);
  }
  h1 {
    font-size: var(--type-title);
  }
  .fields {
    grid-template-columns: 1fr 1fr;
  }
  .climate {
    grid-column: 1 / -1;
  }
}
</style>
