<script setup lang="ts">
// A planting in hand: over which bed it is held, what the rules say to that, and
// the keys that move it on.
import { ElButton } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import type { Problem } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'

const store = useHousehold()
const ground = useGround()
const moving = useMoving()
const { say, render } = useUnits()
const problem = ref<Problem>()
const bar = ref<HTMLElement>()
// It takes the keys: what was pressed to begin must not be pressed again by Enter.
onMounted(() => bar.value?.focus())
const beds = computed(() => store.household?.beds ?? [])
watch(
  () => [moving.bed, moving.at],
  () => (problem.value = undefined),
)

function other(by: number) {
  const i = beds.value.findIndex((b) => b.id === moving.bed)
  const b = beds.value[i + by]
  if (!b) return
  const free = moving.look?.choices.find((c) => c.bed === b.id)?.free[0]
  moving.over(b.id, free?.from ?? moving.at)
}
async function put(bend: boolean) {
  if (moving.verdict === 'no' || (moving.verdict === 'bend' && !bend)) return
  problem.value = await moving.put(bend)
}
useKeys([
  { keys: 'ArrowUp', does: 'moving: the bed before', run: () => other(-1) },
  { keys: 'ArrowDown', does: 'moving: the next bed', run: () => other(1) },
  { keys: 'ArrowLeft', does: 'moving: back along the bed', run: () => moving.over(moving.bed, moving.at - 0.5) },
  { keys: 'ArrowRight', does: 'moving: forward along the bed', run: () => moving.over(moving.bed, moving.at + 0.5) },
  { keys: 'Enter', does: 'moving: place it here', run: () => void put(false) },
  { keys: 'Escape', does: 'moving: cancel', run: moving.leave },
])
const faults = computed(() => render(moving.choice?.faults.join(', ') ?? ''))
</script>

<template>
  <div ref="bar" class="in-hand" role="status" tabindex="-1" :class="moving.verdict">
    <b>{{ ground.names.get(moving.sowing) }}</b>
    over {{ ground.bedName(moving.bed) }}, from {{ say(moving.at, 'm') }} on:
    <span v-if="!moving.look" class="quiet">Checking …</span>
    <span v-else-if="moving.verdict === 'no'" class="warn"
      >it cannot go there: {{ render(moving.choice?.refused ?? '') }}</span
    >
    <span v-else-if="moving.verdict === 'bend'" class="warn"
      >the same family grew there in {{ moving.choice?.bend }}, too recently
      <ElButton size="small" @click="put(true)">Allow it here this year</ElButton></span
    >
    <span v-else-if="moving.verdict === 'free'">free{{ faults ? `, though ${faults}` : ', no drawback' }}</span>
    <span v-else>another crop would move{{ faults ? `; ${faults}` : '' }}</span>
    <span class="quiet small keys">Arrows move it · Enter places it · Esc cancels</span>
    <button type="button" class="link small" @click="moving.leave">Cancel</button>
    <button
      v-if="moving.verdict === 'free' || moving.verdict === 'room'"
      type="button"
      class="link small"
      @click="put(false)"
    >
      Place it here
    </button>
    <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
  </div>
</template>

<style scoped>
.in-hand {
  /* Over the leaf: coming and going it must not move the ground under the hand. */
  position: fixed;
  bottom: 0.8rem;
  left: 50%;
  transform: translateX(-50%);
  z-index: 30;
  width: min(60rem, calc(100vw - 1.6rem));
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: baseline;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-left: 4px solid var(--ink);
  padding: var(--space-3) var(--space-5);
}
.in-hand:focus {
  outline: none;
}
.in-hand.no,
.in-hand.bend {
  border-left-color: var(--accent);
}
.keys {
  margin-left: auto;
}
</style>
