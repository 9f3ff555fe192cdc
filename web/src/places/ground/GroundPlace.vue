<script setup lang="ts">
// The ground: the plot to scale and what stands in it, week by week; each bed over
// the year; the beds by their measures; what they are given. What has found no
// ground stays in sight.
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Bed } from '../../lib/api'
import { useGround, useMoving, useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'
import { count, day as short, dayNumber, fullDay, isoDay } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import BedsPage from './BedsPage.vue'
import BedTime from './BedTime.vue'
import CarePage from './CarePage.vue'
import DivideForm from './DivideForm.vue'
import FreeGround from './FreeGround.vue'
import MoveBar from './MoveBar.vue'
import PlantingCard from './PlantingCard.vue'
import PlotMap from './PlotMap.vue'
import WaysOut from './WaysOut.vue'

const store = useHousehold()
const ground = useGround()
const moving = useMoving()
const whereIs = useWhere()
const route = useRoute()
const router = useRouter()
const { say } = useUnits()
onBeforeUnmount(moving.leave)
const chosen = ref('')
const picked = ref('') // the sowing whose card is open
const adding = ref<Bed>()

const views = [
  { value: 'plot', words: 'the plot' },
  { value: 'year', words: 'over the year' },
  { value: 'beds', words: 'the beds' },
  { value: 'care', words: 'fill, feed, water' },
]
const view = computed(() => String(route.params.view || 'plot'))
const show = (id: string) => router.push(id === 'plot' ? '/ground' : `/ground/${id}`)

const beds = computed(() => store.household?.beds ?? [])
const layout = computed(() => ground.layout)
/** How near the layout is to what could fit at most. */
const near = computed(() => {
  const l = layout.value
  if (!l || l.most <= 0) return ''
  return `within ${Math.ceil((100 * Math.max(0, l.most - l.placed)) / l.most - 1e-9)} % of what could fit`
})
const pieces = computed(() => layout.value?.pieces ?? [])
/** From the first day that something stands to the last. */
const from = computed(() => {
  const first = store.plan?.weeks[0]
  const least = first ? dayNumber(first) - 60 : 0
  return pieces.value.length ? Math.max(least, Math.min(...pieces.value.map((p) => dayNumber(p.from)))) : least
})
const to = computed(() =>
  Math.min(from.value + 460, Math.max(from.value + 300, ...pieces.value.map((p) => dayNumber(p.to)))),
)
const day = ref('')
watch(
  () => [store.plan?.as_of, from.value, to.value] as const,
  ([today]) => {
    if (!today) return
    const n = day.value ? dayNumber(day.value) : dayNumber(today)
    day.value = isoDay(Math.min(to.value - 1, Math.max(from.value, n)))
  },
  { immediate: true },
)
const at = computed({
  get: () => dayNumber(day.value || '2000-01-01') - from.value,
  set: (n: number) => (day.value = isoDay(from.value + n)),
})
function step(by: number) {
  at.value = Math.max(0, Math.min(to.value - from.value - 1, at.value + by))
}

const left = computed(() => {
  const of = new Map((store.plan?.sowings ?? []).map((s) => [s.id, s]))
  return (layout.value?.left ?? []).map((l) => ({ ...l, s: of.get(l.planting) })).sort((a, b) => b.need - a.need)
})
const allLeft = ref(false)
const week = computed(() => {
  const weeks = layout.value?.weeks ?? []
  return weeks.filter((w) => w.day <= day.value).pop() ?? weeks[0]
})
/** The weeks in which most is short. */
const worst = computed(() => {
  const weeks = (layout.value?.weeks ?? []).filter((w) => w.short > 0.05)
  if (!weeks.length) return undefined
  const peak = weeks.reduce((a, b) => (b.short > a.short ? b : a))
  return { first: weeks[0]!.day, last: weeks[weeks.length - 1]!.day, peak }
})
/** What stands elsewhere than it was agreed to. */
const moved = computed(() => pieces.value.filter((p) => p.was))
function pickSowing(id: string) {
  picked.value = id
  const p = pieces.value.find((x) => x.planting === id)
  if (p && !(p.from <= day.value && day.value < p.to)) day.value = p.from
}
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
    turned: last?.turned ?? false,
  }
  if (beds.value.length) void show('beds')
}

useKeys([
  { keys: 'n', does: 'a new bed', run: add },
  { keys: '[', does: 'a week back', run: () => step(-7) },
  { keys: ']', does: 'a week on', run: () => step(7) },
  { keys: 'Escape', does: 'close the card', run: () => (picked.value = chosen.value = '') },
  { keys: 'm', does: 'on a planting: move it by keys' },
])
</script>

<template>
  <section class="ground">
    <div class="bar">
      <h2 tabindex="-1">Ground</h2>
      <p v-if="beds.length && layout" class="sum" role="status">
        <b>{{ say(layout.owned, 'm²') }}</b> in {{ count(beds.length, 'bed') }};
        <template v-if="layout.short > 0.05"
          ><span class="warn"
            ><b>{{ say(layout.short, 'm²') }} · weeks</b> short</span
          >, {{ count(left.length, 'sowing') }} without ground; {{ near }}</template
        >
        <template v-else>all that is sown has its ground</template>
        <span v-if="ground.old" class="quiet small"> being fitted anew …</span>
      </p>
      <ChoiceButtons
        v-if="beds.length"
        class="views no-print"
        label="What of the ground is shown"
        :options="views"
        :model-value="view"
        @update:model-value="show"
      />
    </div>
    <p v-if="ground.wrong" class="wrong" role="alert">{{ ground.wrong }}</p>
    <template v-if="!beds.length">
      <p class="empty">Measure the plot, and Inventory proposes how it divides into beds; or add beds one by one.</p>
      <DivideForm />
      <BedsPage :adding="adding" @add="add" @done="adding = undefined" />
    </template>
    <template v-else-if="view === 'plot' || view === 'year'">
      <div class="scrub">
        <button type="button" class="link" aria-label="A week back" @click="step(-7)">‹</button>
        <input
          v-model.number="at"
          type="range"
          min="0"
          :max="to - from - 1"
          step="1"
          aria-label="The day that is shown"
        />
        <button type="button" class="link" aria-label="A week on" @click="step(7)">›</button>
        <b class="when">{{ fullDay(day) }}</b>
        <span v-if="week && layout" class="quiet small taken"
          >{{ say(week.taken, 'm²') }} taken of {{ say(layout.owned, 'm²')
          }}<template v-if="week.short > 0.05"
            >, <span class="warn">{{ say(week.short, 'm²') }} short</span></template
          ></span
        >
      </div>
      <MoveBar v-if="moving.sowing" />
      <div class="sides">
        <div class="main">
          <PlotMap
            v-if="view === 'plot'"
            :beds="beds"
            :pieces="pieces"
            :day="day"
            :chosen="chosen"
            @choose="choose"
            @pick="pickSowing"
          />
          <template v-else>
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
            <p class="key small quiet">
              <i class="well" /> stands as it wishes <i class="faulty" /> something is not as it would wish
              <i class="shared" /> shares ground <i class="stands" /> stands there now. Drag a planting to another bed,
              or press <kbd>m</kbd> on it.
            </p>
          </template>
          <p class="small no-print links">
            <a :href="`/api/plot.svg?day=${day}`" download="plot.svg">drawing to scale, 1 : 100</a>
            <RouterLink :to="`/ground/sheet?day=${day}`">print the plot and a card a bed</RouterLink>
          </p>
        </div>
        <div class="side">
          <PlantingCard v-if="picked" :sowing="picked" :pieces="pieces" @close="picked = ''" />
          <FreeGround v-else-if="chosen" :bed="chosen" :day="day" :pieces="pieces" @close="chosen = ''" />
          <details v-if="ground.unsaid.length && !picked && !chosen" class="small" open>
            <summary>{{ count(ground.unsaid.length, 'crop') }} that stand already: say in which bed</summary>
            <p v-for="s in ground.unsaid" :key="s.id" :data-unsaid="s.id">
              <button type="button" class="plain crop" @click="pickSowing(s.id)">{{ s.crop_name }}</button>
              {{ whereIs(s.id) || 'without ground' }}?
              <button v-if="whereIs(s.id)" type="button" class="link" @click="store.stays(s.id)">yes, there</button>
              <button type="button" class="link" @click="pickSowing(s.id)">elsewhere</button>
            </p>
          </details>
          <details v-if="moved.length && !picked && !chosen" class="small">
            <summary>{{ count(moved.length, 'piece') }} moved since the plan was agreed</summary>
            <p v-for="p in moved" :key="p.planting + p.at">
              <button type="button" class="plain crop" @click="pickSowing(p.planting)">
                {{ ground.names.get(p.planting) }}
              </button>
              from {{ ground.bedName(p.was ?? '') }} to {{ ground.bedName(p.bed) }}
            </p>
          </details>
          <template v-if="!picked && !chosen && left.length">
            <h3 class="warn">Without ground</h3>
            <p v-if="worst" class="small quiet">
              Short from {{ fullDay(worst.first) }} to {{ fullDay(worst.last) }}, most in the week of
              {{ short(worst.peak.day) }}: {{ say(worst.peak.short, 'm²') }}.
            </p>
            <ul class="left small">
              <li v-for="l in allLeft ? left : left.slice(0, 6)" :key="l.planting" :data-left="l.planting">
                <button type="button" class="plain crop" @click="pickSowing(l.planting)">{{ l.s?.crop_name }}</button>
                <span class="need">{{ say(l.need, 'm²') }} weeks</span>
                <span class="quiet"
                  >{{ short(l.s?.date) }},
                  {{
                    l.laid
                      ? `${l.laid} of ${count(l.laid + l.planted, 'plant')} lie, ${l.planted} are short`
                      : count(l.planted, 'plant')
                  }}: {{ l.why }}</span
                >
              </li>
            </ul>
            <button v-if="left.length > 6" type="button" class="link small" @click="allLeft = !allLeft">
              {{ allLeft ? 'fewer' : `all ${left.length}` }}
            </button>
            <WaysOut />
          </template>
          <p v-if="!picked && !chosen && !left.length" class="small quiet">
            All that is sown has its ground. Press a bed to see what is free in it and what can still go in; a planting,
            to see why it stands there.
          </p>
        </div>
      </div>
    </template>
    <BedsPage v-else-if="view === 'beds'" :adding="adding" @add="add" @done="adding = undefined" />
    <CarePage v-else />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  align-items: baseline;
  margin-bottom: 0.3rem;
}
.views {
  margin-left: auto;
}
h2:focus {
  outline: none;
}
.sum {
  font-family: var(--serif);
  font-size: 1.1rem;
}
.scrub {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  align-items: center;
}
.scrub input {
  flex: 1 1 14rem;
  accent-color: var(--accent);
}
.when {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  min-width: 7.5rem;
}
.taken {
  min-width: 15rem;
}
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 21rem;
  gap: 0 1.4rem;
  align-items: start;
  padding-top: 0.5rem;
}
@container leaf (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.4rem;
  padding-top: 0.3rem;
}
.key i {
  display: inline-block;
  width: 20px;
  height: 9px;
  margin-left: 0.8rem;
}
.key .well {
  margin-left: 0;
  background: color-mix(in srgb, var(--fresh) 40%, var(--sheet));
}
.key .faulty {
  background: color-mix(in srgb, var(--cellar) 60%, var(--sheet));
}
.key .shared {
  background: color-mix(in srgb, var(--freezer) 45%, var(--sheet));
}
.key .stands {
  background: var(--wash);
  border: 1px dashed var(--ink-2);
}
.left {
  list-style: none;
  padding: 0;
  margin: 0 0 0.3rem;
}
.left li {
  display: grid;
  grid-template-columns: 1fr auto;
  border-bottom: 1px solid var(--hair);
  padding: 0.15rem 0;
}
.left li .quiet {
  grid-column: 1 / -1;
}
.crop,
.need {
  font-family: var(--serif);
  font-weight: 600;
  font-variant-numeric: tabular-nums lining-nums;
}
.crop {
  font-size: 1rem;
}
.empty {
  font-family: var(--serif);
  font-size: 1.1rem;
  padding: 0.6rem 0;
}
</style>
