<script setup lang="ts">
// The ground: the plot to scale and what stands in it, week by week; each bed over
// the year; the beds by their measures; what they are given. What has found no
// ground stays in sight.
import { useMediaQuery } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Bed } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { usePlots } from '../../lib/plots'
import { dayNumber } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import BedAtATime from './BedAtATime.vue'
import BedsPage from './BedsPage.vue'
import BedTime from './BedTime.vue'
import CarePage from './CarePage.vue'
import { useDays } from './days'
import DayScrubber from './DayScrubber.vue'
import DivideForm from './DivideForm.vue'
import FitWishes from './FitWishes.vue'
import FreeGround from './FreeGround.vue'
import GroundAside from './GroundAside.vue'
import GroundKey from './GroundKey.vue'
import GroundSum from './GroundSum.vue'
import MoveBar from './MoveBar.vue'
import PlantingCard from './PlantingCard.vue'
import PlotMap from './PlotMap.vue'

const store = useHousehold()
const ground = useGround()
const moving = useMoving()
const route = useRoute()
const router = useRouter()
onBeforeUnmount(moving.leave)
const chosen = ref('')
const picked = ref('') // the sowing whose card is open
const adding = ref<Bed>()
/** On a narrow screen beds are shown one at a time: the whole plot would be too small to press. */
const narrow = useMediaQuery('(max-width: 640px)')
const one = ref('')

const views = [
  { value: 'plot', words: 'the plot' },
  { value: 'year', words: 'over the year' },
  { value: 'beds', words: 'the beds' },
  { value: 'care', words: 'soil, compost, water' },
  { value: 'fit', words: 'fit the wishes' },
]
const view = computed(() => String(route.params.view || 'plot'))
const show = (id: string) => router.push(id === 'plot' ? '/ground' : `/ground/${id}`)

const beds = computed(() => store.household?.beds ?? [])
const { laid } = usePlots()
const drawn = ref('') // the plot that is drawn, where there are several
const onPlot = computed(() => (laid.value.find((p) => p.id === drawn.value) ?? laid.value[0])?.beds ?? [])
const layout = computed(() => ground.layout)
const pieces = computed(() => layout.value?.pieces ?? [])
const { from, to, day, at, step } = useDays(() => pieces.value)

const week = computed(() => {
  const weeks = layout.value?.weeks ?? []
  return weeks.filter((w) => w.day <= day.value).pop() ?? weeks[0]
})
function pickSowing(id: string) {
  picked.value = id
  const p = pieces.value.find((x) => x.planting === id)
  if (p && !(p.from <= day.value && day.value < p.to)) day.value = p.from
}
/** Shows what is free in a bed on a day, and what can follow. */
function showFree(bed: string, on: string) {
  at.value = dayNumber(on) - from.value
  chosen.value = bed
  picked.value = ''
}
// A link may lead to what is free in a bed: /ground?free=BED&day=DAY.
watch(
  () => [route.query['free'], route.query['day'], layout.value?.revision] as const,
  ([bed, on]) => {
    if (typeof bed !== 'string' || typeof on !== 'string' || !layout.value) return
    showFree(bed, on)
    void router.replace({ path: route.path })
  },
  { immediate: true },
)
// In the season the first look at Ground holds the places: what is told of them is relied on.
watch(
  () => !!layout.value?.in_season && !layout.value.held && !ground.old,
  (due) => due && void ground.holdOnce(),
  { immediate: true },
)
function choose(id: string) {
  chosen.value = chosen.value === id && view.value === 'plot' && !picked.value ? '' : id
  picked.value = ''
}
function add() {
  // Beside the last one, as it lies: behind it, or to its right where it is turned.
  const last = beds.value[beds.value.length - 1]
  const beyond = last ? Math.round(((last.turned ? last.x : last.y) + last.width + 0.9) * 100) / 100 : 0
  adding.value = {
    id: '',
    name: `Bed ${beds.value.length + 1}`,
    x: last?.turned ? beyond : (last?.x ?? 0),
    y: last?.turned ? last.y : beyond,
    length: last?.length ?? 6,
    width: 1.2,
    plot: last?.plot,
    turned: last?.turned ?? false,
  }
  if (beds.value.length) void show('beds')
}

useKeys([
  { keys: 'n', does: 'a new bed', run: add },
  { keys: '[', does: 'a week back', run: () => step(-7) },
  { keys: ']', does: 'a week forward', run: () => step(7) },
  { keys: 'Escape', does: 'close the card', run: () => (picked.value = chosen.value = '') },
  { keys: 'm', does: 'on a crop: move it by keys' },
])
</script>

<template>
  <section class="ground">
    <div class="bar">
      <h2 tabindex="-1">Ground</h2>
      <GroundSum v-if="beds.length && layout" :layout="layout" :beds="beds.length" />
      <ChoiceButtons
        v-if="beds.length"
        class="views no-print"
        label="What is shown"
        :options="views"
        :model-value="view"
        @update:model-value="show"
      />
    </div>
    <p v-if="ground.wrong" class="wrong" role="alert">{{ ground.wrong }}</p>
    <template v-if="!beds.length">
      <p class="empty">Enter the size of the plot to see how many beds fit, or add beds one by one.</p>
      <DivideForm />
      <BedsPage :adding="adding" @add="add" @done="adding = undefined" />
    </template>
    <template v-else-if="view === 'plot' || view === 'year'">
      <DayScrubber v-model="at" :days="to - from" :day="day" :week="week" :owned="layout?.owned" @step="step" />
      <MoveBar v-if="moving.sowing" />
      <div class="sides">
        <div class="main">
          <BedAtATime
            v-if="view === 'plot' && narrow"
            v-model="one"
            :beds="beds"
            :pieces="pieces"
            :day="day"
            @pick="pickSowing"
            @free="choose"
          />
          <ChoiceButtons
            v-if="view === 'plot' && !narrow && laid.length > 1"
            label="Which plot is drawn"
            :options="laid.map((p) => ({ value: p.id, words: p.name }))"
            :model-value="onPlot[0]?.plot ?? ''"
            @update:model-value="drawn = $event"
          />
          <PlotMap
            v-if="view === 'plot' && !narrow"
            :beds="onPlot"
            :pieces="pieces"
            :day="day"
            :chosen="chosen"
            @choose="choose"
            @pick="pickSowing"
          />
          <template v-if="view === 'year'">
            <BedTime
              :beds="beds"
              :pieces="pieces"
              :day="day"
              :from="from"
              :to="to"
              :chosen="chosen"
              @choose="choose"
              @day="day = $event"
              @pick="pickSowing"
            />
          </template>
          <GroundKey v-if="!(narrow && view === 'plot')" :view="view" />
          <p class="small no-print links">
            <a :href="`/api/plot.svg?day=${day}&plot=${onPlot[0]?.plot ?? ''}`" download="plot.svg"
              >Drawing to scale, 1 : 100</a
            >
            <RouterLink :to="`/ground/sheet?day=${day}`">Print the plan and bed cards</RouterLink>
          </p>
        </div>
        <div class="side">
          <PlantingCard v-if="picked" :sowing="picked" :pieces="pieces" @close="picked = ''" />
          <FreeGround v-else-if="chosen" :bed="chosen" :day="day" :pieces="pieces" @close="chosen = ''" />
          <GroundAside v-else @pick="pickSowing" @free="showFree" />
        </div>
      </div>
    </template>
    <BedsPage v-else-if="view === 'beds'" :adding="adding" @add="add" @done="adding = undefined" />
    <FitWishes v-else-if="view === 'fit'" />
    <CarePage v-else />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  align-items: baseline;
  margin-bottom: var(--space-3);
}
.views {
  margin-left: auto;
}
h2:focus {
  outline: none;
}
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 21rem;
  gap: 0 var(--space-6);
  align-items: start;
  padding-top: var(--space-4);
}
@container leaf (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  padding-top: var(--space-3);
}
.empty {
  font-family: var(--serif);
  font-size: var(--type-large);
  padding: var(--space-4) 0;
}
</style>
