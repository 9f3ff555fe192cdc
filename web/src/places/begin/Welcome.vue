<script setup lang="ts">
// The first screen of an empty file: who eats here, where, and in which units. What they eat, their beds and the fit
// follow on the next page.
import { ElButton, ElInput } from 'element-plus'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { type Household, type Member, type Place, type WeatherRecord } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { plainNumber } from '../../lib/numbers'
import { wordsOf } from '../../lib/problems'
import UnitsChoice from '../../parts/UnitsChoice.vue'
import ClimateStart from './ClimateStart.vue'
import OtherBegin from './OtherBegin.vue'

const store = useHousehold()
const router = useRouter()
const bands: { band: Member['band']; words: string; one: string }[] = [
  { band: 'adult', words: 'Adults', one: 'Adult' },
  { band: 'teen', words: 'Teenagers', one: 'Teenager' },
  { band: 'child', words: 'Children 7–12', one: 'Child' },
  { band: 'small-child', words: 'Children 3–6', one: 'Small child' },
  { band: 'infant', words: 'Under 3', one: 'Infant' },
]
const people = reactive<Record<string, string>>({ adult: '2', teen: '0', child: '0', 'small-child': '0', infant: '0' })
const place = ref<Place>()
const weather = ref<WeatherRecord['recent']>()
const wrong = ref<Record<string, string>>({})

/** Everybody who eats here; nothing where a number is none. */
function members(): Member[] | undefined {
  wrong.value = {}
  const out: Member[] = []
  for (const { band, one } of bands) {
    const n = people[band]?.trim() ? plainNumber(people[band] ?? '') : 0
    if (!Number.isInteger(n) || n < 0 || n > 40) wrong.value[band] = 'Enter a whole number from 0 to 40.'
    else for (let i = 1; i <= n; i++) out.push({ id: '', name: n > 1 ? `${one} ${i}` : one, band })
  }
  if (!Object.keys(wrong.value).length && !out.length) wrong.value['adult'] = 'Enter at least one person.'
  return Object.keys(wrong.value).length ? undefined : out
}

async function begin() {
  const all = members()
  if (!all) return
  if (!place.value) {
    wrong.value['place'] = 'Choose a climate first.'
    return
  }
  const household: Household = {
    name: 'Our household',
    year: 0, // the binary takes the year that lies ahead
    start: '',
    risk: 'usual',
    place: place.value,
    members: all,
    guests: [],
    stores: [],
    wishes: [],
    overrules: [],
    lots: [],
    patches: [],
    measures: [],
    care: [],
    chores: [],
    sightings: [],
    own_crops: [],
    own_preparations: [],
    habits: [],
    plantings: [],
    weather: weather.value ?? [],
    beds: [],
    placements: [],
  }
  const p = await store.edit({ command: 'begin', household })
  if (p) wrong.value = { place: wordsOf(p) }
  else await router.push('/begin')
}
</script>

<template>
  <div class="welcome">
    <h1>Who eats here, and where do you grow?</h1>
    <p class="lead">
      Three answers to start with. Then you tick what your family eats, enter your beds, and see what fits: plants,
      seed, dates, bed space and harvest, each with its working.
    </p>
    <form @submit.prevent="begin">
      <fieldset>
        <legend>People</legend>
        <div class="fields">
          <label v-for="b in bands" :key="b.band" class="field">
            <span>{{ b.words }}</span>
            <ElInput v-model="people[b.band]" class="number" inputmode="numeric" :aria-label="b.words" />
            <span v-if="wrong[b.band]" class="wrong" role="alert">{{ wrong[b.band] }}</span>
          </label>
        </div>
      </fieldset>
      <fieldset>
        <legend>Climate</legend>
        <ClimateStart v-model="place" @weather="weather = $event" />
        <span v-if="wrong['place']" class="wrong" role="alert">{{ wrong['place'] }}</span>
      </fieldset>
      <fieldset>
        <legend>Units</legend>
        <UnitsChoice label="Units" us="pounds, feet, quarts, °F" />
      </fieldset>
      <div class="go">
        <ElButton type="primary" native-type="submit" size="large">Next: what you eat</ElButton>
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
  grid-template-columns: repeat(5, minmax(5.5rem, 8rem));
  gap: var(--space-4) var(--space-6);
  margin-bottom: var(--space-6);
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
}
fieldset {
  border: 0;
  border-top: 1px solid var(--hair);
  margin: 0 0 var(--space-5);
  padding: var(--space-4) 0 0;
}
legend {
  padding: 0 var(--space-4) 0 0;
  font-family: var(--serif);
  font-weight: 600;
}
</style>
