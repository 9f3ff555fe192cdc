<script setup lang="ts">
// A bed's turn as one job: what is done between the crop that is cleared and the one that follows.
import type { BedTurn } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { count, dated } from '../../lib/words'
import { fixed } from '../../lib/numbers'

defineProps<{ turns: BedTurn[] }>()
const { say } = useUnits()
type Part = BedTurn['parts'][number]
const much = (p: Part) => {
  if (!p.count) return ''
  if (p.crop) return `${fixed(p.count, 0)} ${p.crop.toLowerCase()}`
  return p.unit ? say(p.count, p.unit) : fixed(p.count, 0)
}
const where = (p: Part) => (p.length ? `${say(p.at ?? 0, 'm')} to ${say((p.at ?? 0) + p.length, 'm')}` : '')
</script>

<template>
  <details v-for="t in turns" :key="t.bed" class="turn small">
    <summary>
      Get {{ t.name }} ready for the next crop: {{ count(t.parts.length, 'step') }}, {{ fixed(t.minutes, 0) }} min
    </summary>
    <ol>
      <li v-for="(p, i) in t.parts" :key="i">
        {{ p.do }} <b v-if="much(p)">{{ much(p) }}</b> <span class="quiet">{{ where(p) }}</span>
        <span class="when">{{ dated(p.day, t.day) }}</span>
      </li>
    </ol>
  </details>
</template>

<style scoped>
.turn {
  grid-column: 2 / -1;
}
ol {
  margin: 0;
  padding: 0 0 var(--space-3) var(--space-6);
}
li {
  padding: var(--space-1) 0;
}
.when {
  float: right;
  font-family: var(--serif);
}
summary {
  cursor: pointer;
  color: var(--ink-2);
}
@media (max-width: 720px) {
  summary {
    min-height: 44px;
    align-content: center;
  }
}
</style>
