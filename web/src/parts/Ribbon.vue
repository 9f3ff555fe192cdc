<script setup lang="ts">
// The 52 weeks of a wish, each with the colour and the texture of its source.
import { computed, ref } from 'vue'
import { useHousehold } from '../lib/household'
import { sourceWords, texture } from '../lib/facts'
import { day } from '../lib/words'

const props = defineProps<{
  source: string[]
  wanted?: number[]
  unit?: string
  label: string
  say?: (n: number) => string
  /** Weeks that the plan feeds and that have no ground. */
  bare?: number[]
}>()
const store = useHousehold()
const week = ref(-1)

/** How high a week stands: jars by the jar a week, all else full. */
function height(s: string, i: number): number {
  if (!s) return 1
  return props.unit === 'jars' ? 24 * Math.min(1, Math.max(0.15, props.wanted?.[i] ?? 1)) : 24
}

/** The weeks of each source, drawn as one shape, those without ground apart: a box a week. */
const drawn = computed(() => {
  const out = new Map<string, { source: string; boxes: string; weeks: number; bare: boolean }>()
  const lacks = new Set(props.bare)
  props.source.forEach((s, i) => {
    const bare = lacks.has(i)
    const key = s + (bare ? ' bare' : '')
    const of = out.get(key) ?? { source: s, boxes: '', weeks: 0, bare }
    const [from, wide, high] = s === 'gap' ? [10 * i, 10, 24] : [10 * i + 0.4, 9.2, height(s, i)]
    of.boxes += `M${from} 25v${-high}h${wide}v${high}z`
    of.weeks++
    out.set(key, of)
  })
  return [...out.values()]
})

/** Runs of weeks that nothing feeds, each drawn as one open box. */
const gaps = computed(() => {
  const out: { from: number; to: number }[] = []
  props.source.forEach((s, i) => {
    const last = out[out.length - 1]
    if (s !== 'gap') return
    if (last && last.to === i) last.to = i + 1
    else out.push({ from: i, to: i + 1 })
  })
  return out
})

function move(e: KeyboardEvent) {
  const step = e.key === 'ArrowRight' || e.key === ']' ? 1 : e.key === 'ArrowLeft' || e.key === '[' ? -1 : 0
  if (e.key === 'Home') week.value = 0
  else if (e.key === 'End') week.value = 51
  else if (step) week.value = Math.min(51, Math.max(0, week.value + step))
  else return
  e.preventDefault()
  e.stopPropagation()
}

function point(e: MouseEvent) {
  const box = (e.currentTarget as SVGElement).getBoundingClientRect()
  week.value = Math.min(51, Math.max(0, Math.floor(((e.clientX - box.left) / box.width) * 52)))
}

const caption = computed(() => {
  if (week.value < 0) return ''
  const s = props.source[week.value]
  const from = day(store.plan?.weeks[week.value])
  if (!s) return `week of ${from}: not wanted`
  const amount = props.say && props.wanted ? props.say(props.wanted[week.value] ?? 0) + ', ' : ''
  const bare = props.bare?.includes(week.value) ? ', but there is no room for it' : ''
  return `week of ${from}: ${amount}${sourceWords(s)}${bare}`
})
</script>

<template>
  <div class="ribbon">
    <svg
      viewBox="0 0 520 26"
      preserveAspectRatio="none"
      tabindex="0"
      role="slider"
      :aria-label="label + ', week by week'"
      aria-valuemin="1"
      aria-valuemax="52"
      :aria-valuenow="week + 1 || 1"
      :aria-valuetext="caption || label"
      @keydown="move"
      @focus="week = Math.max(0, week)"
      @blur="week = -1"
      @mousemove="point"
      @mouseleave="week = -1"
    >
      <path
        v-for="d in drawn"
        :key="d.source + d.bare"
        :d="d.boxes"
        :class="['w', d.source ? texture(d.source) : 'none', { bare: d.bare }]"
        :data-source="d.source"
        :data-weeks="d.weeks"
        :data-bare="d.bare || undefined"
      />
      <rect
        v-for="g in gaps"
        :key="'gap' + g.from"
        :x="g.from * 10 + 1"
        y="2"
        :width="(g.to - g.from) * 10 - 2"
        height="22"
        class="w-gap-box"
      />
      <rect v-if="week >= 0" class="cursor" :x="week * 10" y="0" width="10" height="26" />
    </svg>
    <span v-if="caption" class="caption" :class="{ late: week > 30 }">{{ caption }}</span>
  </div>
</template>

<style scoped>
.ribbon {
  position: relative;
  min-width: 0;
}
svg {
  display: block;
  width: 100%;
  height: 22px;
  cursor: crosshair;
  content-visibility: auto; /* what lies below the fold is drawn when it is scrolled to */
  contain-intrinsic-size: auto 22px;
}
.caption {
  position: absolute;
  left: 0;
  top: 100%;
  z-index: 3;
  background: var(--ink);
  color: var(--paper);
  font-size: var(--type-tiny);
  padding: var(--space-1) var(--space-4);
  white-space: nowrap;
  pointer-events: none;
}
.caption.late {
  left: auto;
  right: 0;
}
.cursor {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
