<script setup lang="ts">
// What would make the shortage of ground less, each with its effect, reckoned by
// the plan and the fit themselves; one press tries it, undo takes it back.
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { api, type GroundWay } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import RemedyList from '../../parts/RemedyList.vue'

const store = useHousehold()
const { say } = useUnits()
const refused = ref('')
const busy = ref(false)

// They are reckoned when asked for: it takes some seconds. After an edit they are
// of a plan that is gone.
const wanted = ref(false)
watch(
  () => store.state?.revision,
  () => (wanted.value = false),
)
const { data, wrong } = useAnswer(
  'ground-ways',
  () => wanted.value || undefined,
  (_, signal) => api.GET('/ground-ways', { signal }),
  () => false,
)

function effect(w: GroundWay): string {
  const out = []
  if (w.fed) out.push(`${count(Math.abs(w.fed), 'week')} ${w.fed < 0 ? 'fewer' : 'more'} fed`)
  if (w.jars) out.push(`${count(Math.abs(w.jars), 'jar')} ${w.jars < 0 ? 'fewer' : 'more'}`)
  return out.join(', ') || (w.less ? 'less on the table' : 'feeds as much')
}
const remedies = computed(() =>
  data.value?.map((w) => ({
    key: w.command,
    words: w.words,
    does: `−${say(w.gains, 'm²')} weeks`,
    cost: effect(w),
  })),
)

async function press(i: number) {
  const w = data.value?.[i]
  if (!w) return
  busy.value = true
  const p =
    w.command === 'log' && w.event
      ? await store.log(w.event)
      : await store.edit({
          command: w.command as 'change-wish',
          wish: w.wish,
          target: w.target,
          overrule: w.overrule,
          customs: w.customs,
          bed: w.bed,
        })
  refused.value = wordsOf(p)
  busy.value = false
}
</script>

<template>
  <div class="ways-out">
    <ElButton v-if="!wanted" size="small" @click="wanted = true">What would help?</ElButton>
    <RemedyList
      v-else
      heading="What would help"
      :remedies="remedies"
      :wrong="refused || wrong"
      :busy="busy"
      act="try it"
      :first="8"
      @take="press"
    />
  </div>
</template>
