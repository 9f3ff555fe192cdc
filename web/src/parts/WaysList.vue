<script setup lang="ts">
// The ways of mending a gap or a week with too much putting up, each with what it costs.
import { computed, ref } from 'vue'
import type { Way } from '../lib/api'
import { useUnits } from '../lib/units'
import { useWays } from '../lib/ways'
import { count } from '../lib/words'
import RemedyList from './RemedyList.vue'

const props = defineProps<{ wish?: string; week?: number }>()
const emit = defineEmits<{ taken: [] }>()
const { say } = useUnits()
const { data, wrong, refused, take } = useWays(() => (props.wish ? { wish: props.wish } : { week: props.week ?? 0 }))
const busy = ref(false)

const signed = (n: number, words: string) => (n > 0 ? '+' : '−') + words.replace(/^−/, '')

/** What a way costs or spares, in words. */
function cost(w: Way): string {
  const out: string[] = []
  if (w.plants) out.push(signed(w.plants, count(Math.abs(w.plants), 'plant')))
  if (Math.abs(w.area) >= 0.05) out.push(signed(w.area, say(Math.abs(w.area), 'm²')))
  if (w.jars) out.push(signed(w.jars, count(Math.abs(w.jars), 'jar')))
  if (Math.abs(w.freezer) >= 0.05) out.push(signed(w.freezer, say(Math.abs(w.freezer), 'L') + ' in the freezer'))
  if (Math.abs(w.hours) >= 0.05) out.push(signed(w.hours, say(Math.abs(w.hours), 'hours') + ' of putting up'))
  return out.join(', ') || 'costs no ground'
}
function does(w: Way): string {
  if (props.wish) return w.left ? `closes ${count(w.weeks, 'week')}, ${w.left} left` : 'closes all ' + w.weeks
  return `takes away ${say(w.batches, 'batches')}` + (w.left ? `, ${count(w.left, 'week')} still too full` : '')
}
const remedies = computed(() =>
  data.value?.map((w) => ({ key: w.wish ? 'wish' : 'rule', words: w.words, does: does(w), cost: cost(w) })),
)

async function press(i: number) {
  const way = data.value?.[i]
  if (!way) return
  busy.value = true
  if (await take(way)) emit('taken')
  busy.value = false
}
</script>

<template>
  <RemedyList
    class="ways-list"
    :heading="wish ? 'What would close the gap' : 'What would help'"
    :remedies="remedies"
    :wrong="refused || wrong"
    :busy="busy"
    act="do it"
    @take="press"
  />
</template>
