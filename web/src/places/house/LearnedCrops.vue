<script setup lang="ts">
// What crops give of what the book says, those first whose ground in the plan changes most by it; and what
// too little is known about.
import { computed, ref } from 'vue'
import type { LearnedEffect, MovedCrop } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import { moreOrLess, sureness } from './learned'

const props = defineProps<{ crops: MovedCrop[]; effects: LearnedEffect[] }>()
const emit = defineEmits<{ tell: [effect: LearnedEffect, factor: number | undefined] }>()
const { say } = useUnits()
const few = 10
const all = ref(false)
const learned = computed(() => props.crops.filter((c) => c.plantings))
const shown = computed(() => (all.value ? learned.value : learned.value.slice(0, few)))
/** The crops of the plan that take most ground and of which nothing, or one planting alone, is known. */
const unknown = computed(() =>
  props.crops
    .filter((c) => c.of > 0 && c.plantings < 2)
    .sort((a, b) => b.of - a.of)
    .slice(0, 5),
)
const signed = (n: number, text: string) => `${n > 0 ? '+' : '−'}${text}`
/** What it changes in the plan. */
const changed = (c: MovedCrop) =>
  [
    c.plants ? signed(c.plants, count(Math.abs(c.plants), 'plant')) : '',
    Math.abs(c.area) >= 0.05 ? signed(c.area, say(Math.round(10 * Math.abs(c.area)) / 10, 'm²')) : '',
  ]
    .filter(Boolean)
    .join(', ')
/** The effect of a kind, by which it can be switched off. */
const effect = (c: MovedCrop) => props.effects.find((e) => e.sort === 'kind' && e.of === c.crop)
const off = computed(() => props.effects.filter((e) => e.sort === 'kind' && e.known !== undefined))
</script>

<template>
  <section v-if="learned.length" aria-label="Your crops">
    <h3>Your crops</h3>
    <ul>
      <li v-for="c in shown" :key="c.crop" class="small" :data-learned="c.crop">
        <b>{{ c.name }}</b>
        <span class="told"
          >gives {{ moreOrLess(c.factor, 'the book says') }}
          <span class="quiet"
            >({{ sureness(c) }}; {{ count(c.plantings, 'planting') }}, {{ count(c.years, 'year') }})</span
          ></span
        >
        <span v-if="changed(c)" class="changes">{{ changed(c) }}</span>
        <button
          v-if="effect(c) && effect(c)!.known === undefined"
          type="button"
          class="link no-print"
          :aria-label="`Switch off: ${c.name}`"
          @click="emit('tell', effect(c)!, 1)"
        >
          Switch off
        </button>
      </li>
    </ul>
    <button v-if="learned.length > few" type="button" class="link small" :aria-expanded="all" @click="all = !all">
      {{ all ? 'Show fewer' : `Show all ${learned.length} crops` }}
    </button>
    <p v-for="e in off" :key="e.of" class="small">
      <b>{{ e.name }}</b> is switched off: it goes by its food and its bed alone.
      <button type="button" class="link" :aria-label="`Learn it again: ${e.name}`" @click="emit('tell', e, undefined)">
        Learn it again
      </button>
    </p>
  </section>
  <section v-if="unknown.length" aria-label="Too little is known">
    <h3>Too little is known of</h3>
    <p class="small">
      <template v-for="(c, i) in unknown" :key="c.crop"
        >{{ i ? '; ' : '' }}<b>{{ c.name }}</b> ({{ say(c.of, 'm²') }},
        {{ c.plantings ? 'one planting' : 'nothing weighed yet' }})</template
      >. To weigh them this year would make the plan surest.
    </p>
  </section>
</template>

<style scoped>
li b {
  width: 15rem;
}
.changes {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
</style>
