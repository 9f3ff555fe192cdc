<script setup lang="ts">
// The water of the year, week by week: from the barrels and beyond them; the week
// pointed at is told in words.
import { computed, ref } from 'vue'
import type { Needs } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { day } from '../../lib/words'
import MonthScale from '../../parts/MonthScale.vue'

const props = defineProps<{ weeks: Needs['water']; driest: number }>()
const { say } = useUnits()
const most = computed(() => Math.max(1, ...props.weeks.map((w) => w.give)))
const chosen = ref<number>()
const at = computed(() => chosen.value ?? props.driest)
const week = computed(() => props.weeks[at.value])
/** The stages at which water matters most, each with its crops. */
const stages = computed(() => {
  const out = new Map<string, string[]>()
  for (const c of week.value?.critical ?? []) {
    const [crop = '', stage = ''] = c.split(': ')
    out.set(stage, [...(out.get(stage) ?? []), crop.toLowerCase()])
  }
  return [...out].map(([stage, crops]) => `${stage}: ${crops.join(' · ')}`)
})
function key(e: KeyboardEvent) {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (!by) return
  e.preventDefault()
  e.stopPropagation()
  chosen.value = Math.max(0, Math.min(props.weeks.length - 1, at.value + by))
}
function point(e: MouseEvent) {
  const r = (e.currentTarget as SVGElement).getBoundingClientRect()
  chosen.value = Math.max(0, Math.min(51, Math.floor(((e.clientX - r.left) / r.width) * 52)))
}
</script>

<template>
  <div class="water">
    <MonthScale />
    <svg
      viewBox="0 0 520 70"
      preserveAspectRatio="none"
      role="img"
      tabindex="0"
      aria-label="Water to give by week; arrow keys move"
      @click="point"
      @keydown="key"
    >
      <g v-for="(w, i) in weeks" :key="w.day">
        <rect
          class="barrel"
          :x="i * 10 + 1"
          width="8"
          :y="70 - (66 * w.barrels) / most"
          :height="(66 * w.barrels) / most"
        />
        <rect class="tap" :x="i * 10 + 1" width="8" :y="70 - (66 * w.give) / most" :height="(66 * w.tap) / most" />
        <rect v-if="i === at" class="at" :x="i * 10 + 0.5" width="9" y="1" height="68" />
      </g>
    </svg>
    <p v-if="week" class="small" role="status">
      Week of <b>{{ day(week.day) }}</b>{{ chosen === undefined ? ', the driest' : '' }}:
      <b>{{ say(week.give, 'L') }}</b> to give, after {{ say(week.rain, 'mm') }} of rain<template v-if="week.barrels"
        >; {{ say(week.barrels, 'L') }} from the barrels</template
      >.
    </p>
    <p v-if="stages.length" class="small">Water matters most now for {{ stages.join('; ') }}.</p>
    <p class="small quiet"><i class="barrel" /> from the barrels <i class="tap" /> from the tap or well</p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  height: 70px;
  border-bottom: 1px solid var(--ink-2);
  display: block;
}
.barrel {
  fill: var(--freezer);
  background: var(--freezer);
}
.tap {
  fill: var(--cellar);
  background: var(--cellar);
}
.at {
  fill: none;
  stroke: var(--accent);
  vector-effect: non-scaling-stroke;
}
i {
  display: inline-block;
  width: 18px;
  height: 9px;
  margin-left: var(--space-5);
}
i:first-child {
  margin-left: 0;
}
</style>
