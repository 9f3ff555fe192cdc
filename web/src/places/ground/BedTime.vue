<script setup lang="ts">
// The beds over the year: one band a bed, its length from top to bottom, the days
// from left to right. Relays and empty stretches are seen.
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day as words, dayNumber, isoDay, monthShort } from '../../lib/words'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string; from: number; to: number; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; day: [iso: string]; pick: [planting: string] }>()
const store = useHousehold()
const { say } = useUnits()
const names = computed(() => new Map((store.plan?.sowings ?? []).map((s) => [s.id, s.crop_name])))
const days = computed(() => Math.max(1, props.to - props.from))
const x = (iso: string) => Math.max(0, Math.min(1000, ((dayNumber(iso) - props.from) / days.value) * 1000))
const height = 46

const months = computed(() => {
  const out: { at: number; name: string }[] = []
  for (let n = props.from; n < props.to; n++) {
    const iso = isoDay(n)
    if (iso.endsWith('-01') && n < props.to - 12)
      out.push({ at: ((n - props.from) / days.value) * 100, name: monthShort(iso) })
  }
  return out
})
const bands = computed(() =>
  props.beds.map((b) => ({
    b,
    parts: props.pieces
      .filter((p) => p.bed === b.id)
      .map((p) => ({
        p,
        x: x(p.from),
        w: Math.max(1.5, x(p.to) - x(p.from)),
        y: (p.at / b.length) * height,
        h: Math.max(1.5, (p.length / b.length) * height),
        name: names.value.get(p.planting) ?? '',
      })),
  })),
)
function pick(e: MouseEvent) {
  const r = (e.currentTarget as SVGElement).getBoundingClientRect()
  emit('day', isoDay(Math.round(props.from + ((e.clientX - r.left) / r.width) * days.value)))
}
</script>

<template>
  <div class="bedtime">
    <div class="row scale" aria-hidden="true">
      <span></span>
      <div class="axis">
        <span v-for="m in months" :key="m.at" :style="{ left: m.at + '%' }">{{ m.name }}</span>
      </div>
    </div>
    <div v-for="d in bands" :key="d.b.id" class="row" :class="{ chosen: d.b.id === chosen }" :data-band="d.b.id">
      <button type="button" class="plain name" @click="emit('choose', d.b.id)">
        {{ d.b.name }}<span class="quiet small">{{ say(d.b.length, 'm') }}</span>
      </button>
      <svg
        :viewBox="`0 0 1000 ${height}`"
        preserveAspectRatio="none"
        role="img"
        :aria-label="`${d.b.name} through the year`"
        @click="pick"
      >
        <rect class="free" width="1000" :height="height" />
        <rect
          v-for="q in d.parts"
          :key="q.p.planting + q.p.at"
          class="part"
          :class="{ faulty: q.p.faults?.length }"
          :x="q.x"
          :y="q.y"
          :width="q.w"
          :height="q.h"
          @click="emit('pick', q.p.planting)"
        >
          <title>
            {{ q.name }}: {{ count(q.p.planted, 'plant') }} on {{ say(q.p.length, 'm') }}, {{ words(q.p.from) }} to
            {{ words(q.p.to) }}{{ q.p.faults?.length ? '; ' + q.p.faults.join(', ') : '' }}
          </title>
        </rect>
        <line class="now" :x1="x(day)" :x2="x(day)" y1="0" :y2="height" />
      </svg>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: 0.6rem;
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: 2px 0;
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
svg {
  width: 100%;
  height: 46px;
  display: block;
}
.free {
  fill: var(--sheet);
}
.part {
  fill: color-mix(in srgb, var(--fresh) 40%, var(--sheet));
  stroke: var(--paper);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.part {
  cursor: pointer;
}
.part:hover {
  fill: var(--fresh);
}
.part.faulty {
  fill: color-mix(in srgb, var(--cellar) 60%, var(--sheet));
}
.now {
  stroke: var(--accent);
  vector-effect: non-scaling-stroke;
}
.scale {
  border-bottom: 1px solid var(--ink-2);
}
.axis {
  position: relative;
  height: 1.1rem;
  font-size: 0.76rem;
  color: var(--ink-2);
}
.axis span {
  position: absolute;
  border-left: 1px solid var(--hair-2);
  padding-left: 2px;
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
