<script setup lang="ts">
// What moved among the sowings: from when to when, from how many to how many.
import type { Move } from '../lib/api'
import { count, day } from '../lib/words'

defineProps<{ moves: Move[] }>()

function words(m: Move): string {
  switch (m.what) {
    case 'added':
      return `new, ${count(m.is, 'plant')}`
    case 'dropped':
      return `no longer sown, ${count(m.was, 'plant')} fewer`
    case 'sized':
      return `${m.was} → ${count(m.is, 'plant')}`
  }
  return `from ${day(m.from)}` + (m.was === m.is ? '' : `, ${m.was} → ${count(m.is, 'plant')}`)
}
</script>

<template>
  <ul class="moves">
    <li v-for="m in moves" :key="m.what + m.sowing + m.from">
      <b>{{ day(m.to || m.from) }}</b> <span class="crop">{{ m.crop_name }}</span> {{ words(m) }}
    </li>
  </ul>
</template>

<style scoped>
.moves {
  list-style: none;
  margin: var(--space-2) 0 0;
  padding: 0;
  columns: 21rem;
  column-gap: var(--space-7);
  max-height: 40vh;
  overflow: auto;
}
li {
  break-inside: avoid;
  padding: var(--space-1) 0;
}
b {
  display: inline-block;
  min-width: 3.6rem;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  color: var(--ink);
}
.crop {
  font-family: var(--serif);
  color: var(--ink);
}
</style>
