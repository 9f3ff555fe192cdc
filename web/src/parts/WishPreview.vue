<script setup lang="ts">
// What one more wish would come to, before it is added: plants, bed space, weeks and dates.
import { refDebounced } from '@vueuse/core'
import { computed, toRef } from 'vue'
import { api, type Wish } from '../lib/api'
import { useAnswer } from '../lib/ask'
import { methodWords } from '../lib/facts'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { capital, count, dated } from '../lib/words'

const props = defineProps<{ wish: Wish; sowings?: boolean }>()
const store = useHousehold()
const { render, say } = useUnits()
const asked = refDebounced(
  toRef(() => props.wish),
  150,
)
const { data, old } = useAnswer(
  'preview',
  () => asked.value,
  (body, signal) => api.POST('/preview', { body, signal }),
)
const when = (iso?: string) => dated(iso, store.plan?.as_of)

/** The whole in one line: "34 plants, 5.2 m², 4 sowings from 28 Mar, picking 3 Jun to 20 Oct". */
const said = computed(() => {
  const p = data.value
  if (!p) return ''
  const out = [count(p.plants, 'plant')]
  if (p.area) out.push(say(p.area, 'm²') + ' of bed space')
  if (p.row_metres) out.push(say(p.row_metres, 'm') + ' of row')
  const first = p.sowings[0]
  if (first) out.push(`${count(p.sowings.length, 'sowing')} from ${when(first.date)}`)
  const picks = p.sowings.flatMap((s) => (s.first_pick ? [s.first_pick] : [])).sort()
  const ends = p.sowings.flatMap((s) => (s.last_pick ? [s.last_pick] : [])).sort()
  if (picks[0]) out.push(`picking ${when(picks[0])} to ${when(ends[ends.length - 1])}`)
  if (p.harvested) out.push(`harvest needed ${say(p.harvested, p.harvest_unit)}`)
  if (p.weeks_wanted) out.push(`${p.weeks_fed} of ${count(p.weeks_wanted, 'week')} fed`)
  return out.join(', ') + '.'
})
</script>

<template>
  <div v-if="said" class="preview small" :class="{ quiet: old }" data-preview role="status">
    <p>{{ said }}</p>
    <p v-if="!data?.plants && data?.notes[0]" class="warn">{{ capital(render(data.notes[0])) }}.</p>
    <ul v-if="sowings && data?.sowings.length">
      <li v-for="(s, i) in data.sowings" :key="i">
        {{ when(s.date) }}: {{ count(s.plants, 'plant') }}, {{ s.crop_name.toLowerCase() }},
        {{ methodWords(s.method) }};
        <template v-if="s.plant_out && s.plant_out !== s.date">plant out {{ when(s.plant_out) }}; </template>
        <template v-if="s.first_pick">first picking {{ when(s.first_pick) }}</template>
      </li>
    </ul>
  </div>
</template>

<style scoped>
p {
  margin: var(--space-2) 0;
}
ul {
  margin: 0;
  padding-left: var(--space-5);
}
</style>
