<script setup lang="ts">
// How many trays stand on the raising shelf, week by week, against the room there is.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import MonthScale from '../../parts/MonthScale.vue'
import ShelfLine from './ShelfLine.vue'

const store = useHousehold()
const room = computed(() => store.plan?.work.room ?? 0)
const peak = computed(() => Math.max(1, room.value, ...(store.plan?.work.trays ?? [])))
</script>

<template>
  <div v-if="store.plan" class="load">
    <MonthScale />
    <svg viewBox="0 0 520 40" preserveAspectRatio="none" role="img" aria-label="Trays by week">
      <rect
        v-for="(n, w) in store.plan.work.trays"
        :key="w"
        :x="w * 10 + 1"
        :y="40 - (38 * n) / peak"
        width="8"
        :height="(38 * n) / peak"
        :class="{ over: room && n > room }"
      />
      <line v-if="room" x1="0" x2="520" :y1="40 - (38 * room) / peak" :y2="40 - (38 * room) / peak" />
    </svg>
    <ShelfLine />
  </div>
</template>

<style scoped>
.load {
  max-width: 54rem;
  margin-bottom: var(--space-6);
}
.load svg {
  width: 100%;
  height: 40px;
  border-bottom: 1px solid var(--ink-2);
}
.load rect {
  fill: var(--fresh);
}
.load rect.over {
  fill: var(--accent);
}
.load line {
  stroke: var(--ink);
  stroke-dasharray: 5 3;
}
</style>
