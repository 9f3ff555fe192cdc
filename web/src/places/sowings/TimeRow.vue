<script setup lang="ts">
// One sowing over the year: indoors, in the ground, picked.
import { computed } from 'vue'
import type { Sowing } from '../../lib/api'
import type { timeScale } from '../../lib/timescale'
import { useUnits } from '../../lib/units'
import { count, day, dayNumber, isoDay, serves } from '../../lib/words'
import { movable } from './shift'

const props = defineProps<{
  sowing: Sowing
  scale: ReturnType<typeof timeScale>
  /** How many days the axis has. */
  days: number
  /** By how many days it is being moved. */
  by: number
  open: boolean
}>()
defineEmits<{
  toggle: []
  key: [e: KeyboardEvent]
  down: [e: PointerEvent]
  drag: [e: PointerEvent]
  drop: []
  'let-go': []
}>()
const { say } = useUnits()
const s = computed(() => props.sowing)
const moves = computed(() => movable(s.value))
const begins = computed(() => (props.by ? isoDay(dayNumber(s.value.date) + props.by) : s.value.date))
const box = (from: string, to: string) => ({
  left: props.scale.x(from) + '%',
  width: props.scale.span(from, to, 0.25) + '%',
})
/** When it takes the ground. */
const ground = computed(() => (s.value.method === 'raised' && s.value.plant_out ? s.value.plant_out : s.value.date))
const words = computed(() => {
  const out = s.value.plant_out && s.value.method === 'raised' ? `planted out ${day(s.value.plant_out)}, ` : ''
  const picked = s.value.first_pick ? `picked ${day(s.value.first_pick)} to ${day(s.value.last_pick)}` : 'not picked'
  return `${s.value.crop_name}, started ${day(begins.value)}, ${out}${picked}`
})
</script>

<template>
  <div class="time-grid line" :data-bar="s.id" :class="{ chosen: open }">
    <button type="button" class="plain for small" :title="serves(s)" :aria-expanded="open" @click="$emit('toggle')">
      <b :class="{ warn: s.late || !!s.set_why }">{{ day(begins) }}</b>
      {{ s.plants ? count(s.plants, 'plant') : say(s.area, 'm²')
      }}<span v-if="s.begun || s.set || s.early" class="mark">{{
        s.begun ? 'started' : s.set ? 'date fixed by you' : 'early row'
      }}</span>
    </button>
    <div
      class="axis"
      :class="{ movable: moves, held: s.set, risked: s.early }"
      :tabindex="moves ? 0 : -1"
      :role="moves ? 'slider' : 'img'"
      :aria-valuenow="moves ? dayNumber(begins) : undefined"
      :aria-valuetext="moves ? day(begins) : undefined"
      :aria-label="words"
      @keydown="$emit('key', $event)"
      @pointerdown="$emit('down', $event)"
      @pointermove="$emit('drag', $event)"
      @pointerup="$emit('drop')"
      @pointercancel="$emit('let-go')"
    >
      <span class="bars" :style="{ transform: `translateX(${(by / days) * 100}%)` }">
        <i v-if="s.method === 'raised' && s.plant_out" class="indoors" :style="box(s.date, s.plant_out)" />
        <i class="grows" :style="box(ground, s.first_pick ?? s.clear)" />
        <i v-if="s.first_pick && s.last_pick" class="picked" :style="box(s.first_pick, s.last_pick)" />
      </span>
    </div>
  </div>
</template>

<style scoped>
.line {
  border-bottom: 1px solid var(--hair);
}
.line.chosen,
.line:hover {
  background: color-mix(in srgb, var(--wash) 55%, transparent);
}
.bars {
  position: absolute;
  inset: 0;
}
.movable {
  cursor: ew-resize;
  touch-action: pan-y;
}
.axis:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
.held .bars i {
  box-shadow: 0 2px 0 0 var(--ink);
}
.risked .bars i {
  opacity: 0.55;
}
.mark {
  margin-left: var(--space-4);
  color: var(--ink);
  font-style: italic;
}
.for {
  text-align: left;
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-variant-numeric: tabular-nums;
}
.for b {
  display: inline-block;
  width: 3.6rem;
  font-weight: 600;
  color: var(--ink);
}
.for b.warn {
  color: var(--accent);
}
.axis i {
  position: absolute;
  top: 3px;
  height: 9px;
}
@container leaf (max-width: 620px) {
  .for b {
    width: 3.1rem;
  }
}
</style>
