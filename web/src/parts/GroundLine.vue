<script setup lang="ts">
// What the plan loses for want of ground, said where the plan is told.
import { computed } from 'vue'
import { useGround } from '../lib/ground'
import { count } from '../lib/words'

const ground = useGround()

const lost = computed(() => {
  const { weeks, jars } = ground.lost
  return [weeks > 0 ? count(weeks, 'week') : '', jars > 0 ? count(jars, 'jar') : ''].filter(Boolean).join(' and ')
})
</script>

<template>
  <p v-if="lost" class="ground-line" :class="{ quiet: ground.old }">
    There is no room, or not enough, for {{ count(ground.lost.sowings, 'sowing') }}: <strong>{{ lost }} less</strong>.
    <RouterLink to="/ground/fit">Fit my wishes to the beds</RouterLink>
  </p>
</template>

<style scoped>
.ground-line {
  margin: var(--space-3) 0;
  padding: var(--space-3) var(--space-5);
  border-left: 3px solid var(--accent);
}
</style>
