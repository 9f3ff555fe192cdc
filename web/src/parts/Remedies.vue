<script setup lang="ts">
// What would mend a gap, a week with too much putting up, or a shortage of ground, each
// with what it does and what it costs; one press takes it, undo takes it back.
import { computed } from 'vue'
import type { Remedy } from '../lib/api'
import { useRemedies, type Trouble } from '../lib/remedies'
import { useUnits } from '../lib/units'
import { count } from '../lib/words'
import RemedyList from './RemedyList.vue'

const props = defineProps<{ of: Trouble; heading: string; act?: string; first?: number }>()
const emit = defineEmits<{ taken: []; stopped: [] }>()
const { say } = useUnits()
const { data, wrong, refused, busy, take, progress, stop } = useRemedies(() => props.of)

const signed = (n: number, words: string) => (n > 0 ? '+' : '−') + words.replace(/^−/, '')

/** What a remedy does to the trouble that it is asked for. */
function does(r: Remedy): string {
  if (props.of.wish)
    return r.left ? `fills ${count(r.weeks, 'gap week')}, ${r.left} left` : `fills all ${count(r.weeks, 'gap week')}`
  if (props.of.week !== undefined)
    return (
      `${count(Math.round(r.batches), 'batch', 'batches')} fewer` +
      (r.left ? `; ${count(r.left, 'week')} ${r.left === 1 ? 'remains' : 'remain'} too full` : '')
    )
  return `room for ${say(r.gains, 'm²')} weeks more`
}

/** What a remedy costs or spares of ground and work. */
function work(r: Remedy): string {
  const out: string[] = []
  if (r.lacks) out.push(`needs ${say(r.lacks, 'm²')} more bed space than you have`)
  if (r.plants) out.push(signed(r.plants, count(Math.abs(r.plants), 'plant')))
  if (Math.abs(r.area) >= 0.05) out.push(signed(r.area, say(Math.abs(r.area), 'm²')))
  if (r.jars) out.push(signed(r.jars, count(Math.abs(r.jars), 'jar')))
  if (Math.abs(r.freezer) >= 0.05) out.push(signed(r.freezer, say(Math.abs(r.freezer), 'L') + ' of freezer space'))
  if (Math.abs(r.hours) >= 0.05) out.push(signed(r.hours, say(Math.abs(r.hours), 'hours') + ' of kitchen work'))
  return out.join(', ') || 'needs no bed space'
}

/** What a remedy of a shortage of ground takes from the table, or brings to it. */
function food(r: Remedy): string {
  const out: string[] = []
  if (r.fed) out.push(`${count(Math.abs(r.fed), 'week')} ${r.fed < 0 ? 'fewer' : 'more'} fed`)
  if (r.jars) out.push(`${count(Math.abs(r.jars), 'jar')} ${r.jars < 0 ? 'fewer' : 'more'}`)
  return out.join(', ') || (r.less ? 'less to eat' : 'same amount to eat')
}
const remedies = computed(() =>
  data.value?.map((r) => ({
    key: r.command,
    words: r.words,
    does: does(r),
    cost: props.of.wish || props.of.week !== undefined ? work(r) : food(r),
  })),
)

function breakOff() {
  stop()
  emit('stopped')
}
async function press(i: number) {
  const r = data.value?.[i]
  if (r && (await take(r))) emit('taken')
}
</script>

<template>
  <RemedyList
    :heading="heading"
    :remedies="remedies"
    :wrong="refused || wrong"
    :busy="busy"
    :act="act ?? 'Use this'"
    :first="first"
    :progress="progress"
    @take="press"
    @stop="breakOff"
  />
</template>
