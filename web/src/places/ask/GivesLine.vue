<script setup lang="ts">
// What one kind makes of something at hand.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import type { Gives, Growing, Have } from '../../lib/api'
import { useForesight } from '../../lib/foresight'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital, count, dated, years } from '../../lib/words'
import ForesightPanel from '../../parts/ForesightPanel.vue'

const props = defineProps<{ gives: Gives; have?: Have }>()
const { say } = useUnits()
const store = useHousehold()
const today = computed(() => store.plan?.as_of)

const begins: Record<string, string> = {
  direct: 'sow',
  raised: 'sow indoors',
  bought: 'plant out',
  stock: 'plant',
}
const g = computed(() => props.gives)
const begin = computed(() => begins[g.value.method] ?? 'begin')

/** What is at hand, in words. */
const of = computed(() => {
  const h = props.have
  switch (h?.what) {
    case 'plants':
      return count(h.number, 'plant')
    case 'seeds':
      return count(h.number, 'seed')
    case 'stock':
      return say(h.number, 'kg')
    case 'row':
      return `${say(h.number, 'm')} of row`
    case 'jars':
      return `${count(h.number, 'jar')} of ${say(h.litre ?? 0, 'L')}`
    case 'bed':
      return `a bed of ${say(h.number, 'm')} by ${say(h.width ?? 0, 'm')}`
  }
  return ''
})
const meals = computed(() => (g.value.meals >= 1 ? count(Math.floor(g.value.meals), 'meal') + ' for all of you' : ''))
const jars = computed(() =>
  g.value.jars
    .filter((j) => j.count >= 1 || j.unit === 'kg')
    .slice(0, 4)
    .map((j) =>
      j.unit === 'kg'
        ? `${say(Math.round(j.count * 10) / 10, 'kg')} ${j.preparation.toLowerCase()}`
        : `${count(j.count, 'jar')} of ${say(j.each, 'L')}, ${j.preparation.toLowerCase()}`,
    ),
)
// To plan it so: what follows is shown before it is taken.
const { change, found, wrong, propose, drop } = useForesight()
const refused = ref('')
const planned = computed<Growing>(() => ({
  crop: g.value.crop,
  count: g.value.plants,
  by: 'plants',
  since: g.value.begin,
  method: g.value.method,
  ahead: true,
}))
async function take() {
  refused.value = wordsOf(await store.grow([planned.value]))
  drop()
}
</script>

<template>
  <li class="gives" data-gives :class="{ later: g.again }">
    <div class="head">
      <span class="name">{{ g.crop_name }}</span>
      <span v-if="have?.what === 'jars'" class="quiet small"
        >for {{ of }}, {{ g.jars[0]?.preparation.toLowerCase() }}: {{ count(g.plants, 'plant') }},
        {{ say(g.area, 'm²') }}</span
      >
      <span v-else class="quiet small">from {{ of }}: {{ count(g.plants, 'plant') }}, {{ say(g.area, 'm²') }}</span>
    </div>
    <div class="sum">
      <strong>{{ say(g.likely, g.unit) }}</strong><span class="quiet">
        ({{ say(g.low, g.unit) }} to {{ say(g.high, g.unit) }})</span
      >
      <template v-if="g.weeks">, eaten fresh for {{ count(g.weeks, 'week') }}</template>
      <template v-if="g.gaps"
        >; <strong>feeds {{ count(g.gaps, 'week') }}</strong> that {{ g.wish }} is short of</template
      >
    </div>
    <div class="when">
      <template v-if="g.again"
        ><span class="warn">Too late for this year</span>, again from {{ dated(g.again, today) }}: {{ begin }}
        {{ dated(g.begin, today) }}</template
      ><template v-else>{{ begin }} {{ dated(g.begin, today) }}</template
      >, pick {{ dated(g.first, today) }}<template v-if="g.last > g.first"> to {{ dated(g.last, g.first) }}</template
      ><template v-if="g.in_time !== null && g.in_time !== undefined"
        >; ready before the first frost <span :class="{ warn: g.in_time < 0.8 }">{{ years(g.in_time) }}</span></template
      >; fails completely {{ years(g.lost) }}
    </div>
    <div v-if="meals || jars.length" class="quiet small">
      {{ [meals, ...jars].filter(Boolean).join(' · or ') }}
    </div>
    <ForesightPanel
      v-if="change"
      :found="found"
      :what="`What changes if this is planned: ${count(g.plants, 'plant')}, ${begin} ${dated(g.begin, today)}`"
      @take="take"
      @leave="drop"
    />
    <ElButton v-else-if="!g.again" size="small" @click="propose({ command: 'put-growing', growing: [planned] })"
      >Plan this</ElButton
    >
    <p v-if="refused || wrong" class="wrong" role="alert">{{ capital(refused || wrong) }}</p>
  </li>
</template>

<style scoped>
.gives {
  padding: var(--space-3) 0 var(--space-4);
  border-bottom: 1px solid var(--hair);
}
.name {
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-large);
  margin-right: var(--space-4);
}
.later .sum {
  color: var(--ink-2);
}
</style>
