<script setup lang="ts">
// The beds over the year: one band a bed, its length from top to bottom, the days
// from left to right. Relays and empty stretches are seen. A planting is moved to
// another bed by dragging it, or by keys.
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useGround, useMoving } from '../../lib/ground'
import { timeScale } from '../../lib/timescale'
import { useUnits } from '../../lib/units'
import { isoDay } from '../../lib/words'
import BedBand from './BedBand.vue'
import { useHeldPiece } from './hold'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; from: number; to: number; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; day: [iso: string]; pick: [planting: string] }>()
const ground = useGround()
const moving = useMoving()
const take = useHeldPiece(() => props.beds)
const { say } = useUnits()
const scale = computed(() => timeScale(props.from, Math.max(props.from + 1, props.to), 1000))
const height = 46

function box(b: Bed, at: number, length: number, from: string | undefined, to: string) {
  const begin = from ?? isoDay(props.from)
  return {
    x: scale.value.x(begin),
    w: scale.value.span(begin, to, 1.5),
    y: (at / b.length) * height,
    h: Math.max(1.5, (length / b.length) * height),
  }
}
const bands = computed(() =>
  props.beds.map((b) => ({
    b,
    stands: (b.stands ?? []).map((s) => ({ s, ...box(b, s.at, s.length, undefined, s.until) })),
    green: (b.green ?? []).map((g) => ({ g, ...box(b, g.at, g.length, g.sown, g.until) })),
    parts: props.pieces
      .filter((p) => p.bed === b.id)
      .map((p) => ({ p, ...box(b, p.at, p.length, p.from, p.to), name: ground.names.get(p.planting) ?? '' })),
  })),
)
const ghost = computed(() => {
  const b = moving.target
  const p = props.pieces.find((q) => q.planting === moving.sowing)
  return b && p ? box(b, moving.at, moving.length || p.length, p.from, p.to) : undefined
})
</script>

<template>
  <div class="bedtime">
    <div class="row scale" aria-hidden="true">
      <span></span>
      <div class="axis">
        <span v-for="m in scale.months(12)" :key="m.at" :style="{ left: m.at / 10 + '%' }">{{ m.name }}</span>
      </div>
    </div>
    <div v-for="d in bands" :key="d.b.id" class="row" :class="{ chosen: d.b.id === chosen }" :data-band="d.b.id">
      <button type="button" class="plain name" @click="emit('choose', d.b.id)">
        {{ d.b.name }}<span class="quiet small">{{ say(d.b.length, 'm') }}</span>
      </button>
      <BedBand
        :band="d"
        :ghost="moving.bed === d.b.id ? ghost : undefined"
        :now="scale.x(day)"
        :height="height"
        @pick="(planting) => emit('pick', planting)"
        @point="(share) => emit('day', isoDay(scale.dayAt(share * 1000)))"
        @take="take"
      />
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.name {
  text-align: left;
  font-family: var(--serif);
  font-weight: 600;
  line-height: 1.1;
}
.name .small {
  display: block;
  font-family: var(--sans);
  font-weight: 400;
}
.chosen .name {
  color: var(--accent);
}
.scale {
  border-bottom: 1px solid var(--ink-2);
}
.axis {
  position: relative;
  height: 1.1rem;
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.axis span {
  position: absolute;
  border-left: 1px solid var(--hair-2);
  padding-left: var(--space-1);
}
@container leaf (max-width: 620px) {
  .row {
    grid-template-columns: 4.6rem minmax(0, 1fr);
  }
  .axis span:nth-child(even) {
    color: transparent;
  }
}
</style>
