<script setup lang="ts">
// What the textures mean.
import { computed } from 'vue'

const props = defineProps<{ bought?: boolean }>()
const all = [
  { s: 'fresh', words: 'fresh' },
  { s: 'cellar', words: 'store' },
  { s: 'jar', words: 'jar' },
  { s: 'frozen', words: 'freezer' },
  { s: 'dried', words: 'dried' },
  { s: 'crock', words: 'crock' },
  { s: 'gap', words: 'gap' },
  { s: 'bought', words: 'bought' },
]
const kinds = computed(() => all.filter((k) => props.bought || k.s !== 'bought'))
</script>

<template>
  <div class="legend">
    <span v-for="k in kinds" :key="k.s"
      ><svg viewBox="0 0 20 12" width="20" height="12" aria-hidden="true">
        <rect x="1" y="1" width="18" height="10" :class="['w', k.s, { 'w-gap-box': k.s === 'gap' }]" /></svg
      >{{ k.words }}</span
    >
    <span v-if="!bought">jars: full height is one a week</span>
    <span class="frost"><span>✱</span>frost</span>
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  font-size: 0.8rem;
  color: var(--ink-2);
}
.legend > span {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
}
.frost span {
  color: var(--freezer);
}
</style>
