<script setup lang="ts">
// The months above the sowings, with the two frosts and the warmest week.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import type { timeScale } from '../../lib/timescale'
import { useUnits } from '../../lib/units'
import { dayNumber, isoDay } from '../../lib/words'

const props = defineProps<{ scale: ReturnType<typeof timeScale> }>()
const store = useHousehold()
const { say } = useUnits()
/** The middle of the warmest week, with its mean daily maximum. */
const heat = computed(() => {
  const iso = store.plan?.weeks[store.plan.warmest]
  if (!iso) return undefined
  return { at: props.scale.x(isoDay(dayNumber(iso) + 3)), words: say(store.plan?.warmest_c ?? 0, '°C') }
})
const frosts = computed(() => {
  const p = store.plan
  if (!p || p.first_frost < 0) return []
  return [p.weeks[p.last_frost], p.weeks[p.first_frost]].flatMap((iso) => (iso ? [props.scale.x(iso)] : []))
})
</script>

<template>
  <div class="time-grid scale" aria-hidden="true">
    <span></span>
    <div class="axis">
      <span v-for="m in scale.months()" :key="m.at" class="month" :style="{ left: m.at + '%' }"
        >{{ m.name }}<b v-if="m.year">{{ m.year }}</b></span
      >
      <span v-for="f in frosts" :key="f" class="frost" :style="{ left: f + '%' }">✱</span>
      <span v-if="heat" class="heat" :style="{ left: heat.at + '%' }">{{ heat.words }}</span>
    </div>
  </div>
</template>

<style scoped>
.scale {
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-tiny);
  color: var(--ink-2);
  position: sticky;
  top: 3.75rem;
  background: var(--paper);
  z-index: 4;
}
.scale .axis {
  height: 2.1rem;
}
.month {
  position: absolute;
  bottom: 0;
  border-left: 1px solid var(--hair-2);
  padding-left: var(--space-1);
  white-space: nowrap;
}
.month b {
  position: absolute;
  left: 0;
  bottom: 1.05rem;
  color: var(--ink);
}
.frost {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  color: var(--freezer);
}
.heat {
  position: absolute;
  top: 1px;
  transform: translateX(-50%);
  color: var(--accent);
}
@container leaf (max-width: 620px) {
  .month b {
    display: none;
  }
  .month:nth-child(even) {
    color: transparent;
  }
  .scale {
    position: static;
  }
}
</style>
