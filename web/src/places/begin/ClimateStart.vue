<script setup lang="ts">
// The climate of a household that starts: one like it, what people know of their own, or a weather file.
import { ElCheckbox, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import { answer, api, Refused, type Place, type Problem, type WeatherRecord } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count, monthNames, yearDay } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import DayField from '../../parts/DayField.vue'
import NumberInput from '../../parts/NumberInput.vue'
import PlaceSource from '../house/PlaceSource.vue'

/** The climate that is chosen; nothing while what is entered does not make one. */
const place = defineModel<Place>()
const emit = defineEmits<{ weather: [days: WeatherRecord['recent'] | undefined] }>()
const store = useHousehold()
const { say } = useUnits()

const way = ref<'like' | 'known' | 'file'>('like')
const like = ref('river-plain')
const climates = computed(() => store.reference?.climates ?? [])
const known = reactive({
  latitude: 45,
  frost_free: false,
  last_frost: '05-01',
  first_frost: '10-10',
  warmest: 26,
  coldest: 3,
  winters: 'even' as 'mild' | 'even' | 'hard',
})
const problem = ref<Problem>()
const read = ref<WeatherRecord>()

let asked = 0
watch(
  [way, like, known, read, climates],
  async () => {
    const mine = ++asked // a later question makes an earlier answer worthless
    problem.value = undefined
    emit('weather', way.value === 'file' && read.value?.recent.length ? read.value.recent : undefined)
    if (way.value === 'like') place.value = climates.value.find((c) => c.id === like.value)?.place
    else if (way.value === 'file') place.value = read.value?.place
    else {
      const frosts = known.frost_free ? { last_frost: '', first_frost: '' } : {}
      try {
        const found = await answer(() => api.POST('/climate-known', { body: { ...known, ...frosts } }))
        if (mine === asked) place.value = found
      } catch (e) {
        if (!(e instanceof Refused)) throw e
        if (mine !== asked) return
        place.value = undefined
        problem.value = e.problem
      }
    }
  },
  { immediate: true, deep: true },
)

/** What the climate is like, to see at a glance whether it is one's own. */
const said = computed(() => {
  const p = place.value
  if (!p) return ''
  const warm = p.mean_max.indexOf(Math.max(...p.mean_max))
  const cold = p.mean_min.indexOf(Math.min(...p.mean_min))
  const month = (m: number) =>
    `${monthNames[m] ?? ''} ${say(p.mean_min[m] ?? 0, '°C')} to ${say(p.mean_max[m] ?? 0, '°C')}`
  const frost = p.frost_free
    ? 'no frost'
    : `usual last frost ${yearDay(p.last_frost)}, usual first frost ${yearDay(p.first_frost)}`
  return `${month(cold)}, ${month(warm)}; ${frost}.`
})
const fields = ['latitude', 'last_frost', 'first_frost', 'warmest', 'coldest']
const at = (f: string) => fieldError(problem.value, f)
</script>

<template>
  <div class="climate">
    <ChoiceButtons
      v-model="way"
      label="How to enter your climate"
      :options="[
        { value: 'like', words: 'A climate like mine' },
        { value: 'known', words: 'What I know of mine' },
        { value: 'file', words: 'A weather file' },
      ]"
    />
    <ElSelect v-if="way === 'like'" v-model="like" aria-label="A climate like yours" class="like">
      <ElOption v-for="c in climates" :key="c.id" :value="c.id" :label="`${c.words} (${c.place.name})`" />
    </ElSelect>
    <div v-else-if="way === 'known'" class="known">
      <label class="field">
        <span>Latitude (north +, south −)</span>
        <NumberInput v-model="known.latitude" label="Latitude" />
        <span v-if="at('latitude')" class="wrong" role="alert">{{ at('latitude') }}</span>
      </label>
      <label class="field">
        <span>Average high, warmest month</span>
        <NumberInput v-model="known.warmest" unit="°C" suffix label="Average high of the warmest month" />
        <span v-if="at('warmest')" class="wrong" role="alert">{{ at('warmest') }}</span>
      </label>
      <label class="field">
        <span>Average high, coldest month</span>
        <NumberInput v-model="known.coldest" unit="°C" suffix label="Average high of the coldest month" />
        <span v-if="at('coldest')" class="wrong" role="alert">{{ at('coldest') }}</span>
      </label>
      <div class="field">
        <span>Winters</span>
        <ChoiceButtons
          v-model="known.winters"
          label="Winters"
          :options="[
            { value: 'mild', words: 'mild nights' },
            { value: 'even', words: 'in between' },
            { value: 'hard', words: 'very cold nights' },
          ]"
        />
      </div>
      <template v-if="!known.frost_free">
        <div class="field">
          <span>Usual last frost in spring</span>
          <DayField v-model="known.last_frost" label="Usual last frost" />
          <span v-if="at('last_frost')" class="wrong" role="alert">{{ at('last_frost') }}</span>
        </div>
        <div class="field">
          <span>Usual first frost in autumn</span>
          <DayField v-model="known.first_frost" label="Usual first frost" />
          <span v-if="at('first_frost')" class="wrong" role="alert">{{ at('first_frost') }}</span>
        </div>
      </template>
      <ElCheckbox v-model="known.frost_free">no frost here</ElCheckbox>
    </div>
    <template v-else>
      <PlaceSource @record="read = $event" @begin="read = undefined" />
      <p v-if="read" class="small" role="status">
        From {{ count(read.days, 'day') }}, {{ count(read.years, 'whole year') }}.
      </p>
    </template>
    <p v-if="said" class="small quiet" data-climate>{{ said }} You can correct everything later in House.</p>
    <p v-if="problem && otherErrors(problem, ...fields)" class="wrong" role="alert">
      {{ otherErrors(problem, ...fields) }}
    </p>
  </div>
</template>

<style scoped>
.climate {
  display: grid;
  gap: var(--space-4);
  justify-items: start;
}
.like {
  max-width: 34rem;
}
.known {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
}
.field {
  display: grid;
  gap: var(--space-2);
}
</style>
