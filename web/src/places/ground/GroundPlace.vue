<script setup lang="ts">
// The ground: the beds to scale and what stands in them, week by week; each bed
// over the year; what found no ground, and how much is short.
import { computed, ref, watch } from 'vue'
import type { Bed } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'
import { count, day as short, dayNumber, fullDay, isoDay } from '../../lib/words'
import BedRow from './BedRow.vue'
import BedTime from './BedTime.vue'
import DivideForm from './DivideForm.vue'
import PlantingCard from './PlantingCard.vue'
import PlotMap from './PlotMap.vue'

const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
const chosen = ref('')
const picked = ref('') // the sowing whose card is open
const adding = ref<Bed>()

const beds = computed(() => store.household?.beds ?? [])
const layout = computed(() => ground.layout)
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

const names = computed(() => new Map((store.plan?.sowings ?? []).map((s) => [s.id, s])))
const left = computed(() =>
  (layout.value?.left ?? []).map((l) => ({ ...l, s: names.value.get(l.planting) })).sort((a, b) => b.need - a.need),
)
const owned = computed(() => beds.value.reduce((sum, b) => sum + b.length * b.width, 0))
const missing = computed(() => (layout.value ? layout.value.need - layout.value.placed : 0))
const standing = computed(() => pieces.value.filter((p) => p.from <= day.value && day.value < p.to))
const taken = computed(() =>
  standing.value.reduce((sum, p) => sum + p.length * (beds.value.find((b) => b.id === p.bed)?.width ?? 0), 0),
)
function add() {
  const y = Math.max(0, ...beds.value.map((b) => b.y + (b.turned ? b.length : b.width) + 0.9))
  adding.value = {
    id: '',
    name: `Bed ${beds.value.length + 1}`,
    x: beds.value[0]?.x ?? 0,
    y: beds.value.length ? Math.round(y * 100) / 100 : 0,
    length: beds.value[0]?.length ?? 6,
    width: 1.2,
    turned: false,
  }
}

useKeys([
  { keys: 'n', does: 'a new bed', run: add },
  { keys: '[', does: 'a week back', run: () => step(-7) },
  { keys: ']', does: 'a week on', run: () => step(7) },
])
</script>

<template>
  <section class="ground">
    <div class="bar">
      <h2 tabindex="-1">Ground</h2>
      <p v-if="beds.length && layout" class="sum" role="status">
        <b>{{ say(owned, 'm²') }}</b> in {{ count(beds.length, 'bed') }};
        <template v-if="missing > 0.05"
          ><span class="warn"
            ><b>{{ say(missing, 'm²') }} · weeks</b> short</span
          >, {{ count(left.length, 'sowing') }} without ground</template
        >
        <template v-else>all that is sown has its ground</template>
        <span v-if="ground.old" class="quiet small"> being fitted anew …</span>
      </p>
      <a v-if="beds.length" class="small no-print" :href="`/api/plot.svg?day=${day}`" download="plot.svg"
        >Drawing, 1 : 100</a
      >
    </div>
    <template v-if="!beds.length">
      <p class="empty">Measure the plot, and Inventory proposes how it divides into beds; or add beds one by one.</p>
      <DivideForm />
    </template>
    <template v-else>
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
        <span class="quiet small">{{ say(taken, 'm²') }} taken of {{ say(owned, 'm²') }}</span>
      </div>
      <PlotMap
        :beds="beds"
        :pieces="pieces"
        :day="day"
        :chosen="chosen"
        @choose="chosen = $event"
        @pick="picked = $event"
      />
      <PlantingCard v-if="picked" :sowing="picked" :pieces="pieces" @close="picked = ''" />
      <h3>The beds over the year</h3>
      <BedTime
        :beds="beds"
        :pieces="pieces"
        :day="day"
        :from="from"
        :to="to"
        :chosen="chosen"
        @choose="chosen = $event"
        @day="day = $event"
        @pick="picked = $event"
      />
      <p class="key small quiet">
        <i class="well" /> stands as it wishes <i class="faulty" /> something is not as it would wish: point at it to
        read what
      </p>
      <template v-if="left.length">
        <h3 class="warn">Without ground</h3>
        <ul class="left">
          <li v-for="l in left" :key="l.planting" :data-left="l.planting">
            <button type="button" class="plain crop" @click="picked = l.planting">{{ l.s?.crop_name }}</button> of
            {{ short(l.s?.date) }}, {{ count(l.planted, 'plant') }}: <b>{{ say(l.need, 'm²') }} · weeks</b>;
            <span class="quiet">{{ l.why }}</span>
          </li>
        </ul>
      </template>
    </template>
    <h3 v-if="beds.length" class="no-print">The beds by their measures</h3>
    <div class="no-print">
      <div v-if="beds.length" class="heads small quiet" aria-hidden="true">
        <span>bed</span><span>long × wide</span><span>from the left, from the front</span>
      </div>
      <BedRow v-for="b in beds" :key="b.id" :bed="b" />
      <BedRow v-if="adding" :bed="adding" is-new @done="adding = undefined" />
      <p class="adds">
        <button v-if="!adding" type="button" class="link" @click="add">Add a bed</button>
      </p>
    </div>
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
h2:focus {
  outline: none;
}
.sum {
  font-family: var(--serif);
  font-size: 1.1rem;
}
.warn {
  color: var(--accent);
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
h3 {
  margin-top: 1rem;
  border-bottom: 1px solid var(--ink-2);
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
.left {
  list-style: none;
  padding: 0;
  margin: 0;
}
.left li {
  border-bottom: 1px solid var(--hair);
  padding: 0.15rem 0;
}
.crop {
  font-family: var(--serif);
  font-weight: 600;
}
.heads {
  display: grid;
  grid-template-columns: minmax(6rem, 1fr) 10rem 26rem;
  gap: 0 0.8rem;
  padding-top: 0.2rem;
}
@container leaf (max-width: 820px) {
  .heads {
    display: none;
  }
}
.adds {
  padding-top: 0.5rem;
}
.adds .link {
  margin-right: 1.2rem;
}
.empty {
  font-family: var(--serif);
  font-size: 1.1rem;
  padding: 0.6rem 0;
}
</style>
