<script setup lang="ts">
// The pages of the daybook on which what came in is weighed, put up and looked up; and the sheets to print.
import { light } from '../../lib/light'
</script>

<template>
  <span class="links no-print">
    <RouterLink to="/daybook/weigh">Weigh in</RouterLink>
    <RouterLink to="/daybook/kitchen">Put up</RouterLink>
    <RouterLink to="/daybook/record">What came in</RouterLink>
    <RouterLink to="/daybook/work">Jobs and care</RouterLink>
    <RouterLink to="/paper/week">Week card</RouterLink>
    <RouterLink to="/paper">Sheets</RouterLink>
    <button
      type="button"
      class="link"
      :aria-pressed="light === 'sun'"
      @click="light = light === 'sun' ? 'usual' : 'sun'"
    >
      Bright sun
    </button>
  </span>
</template>

<style scoped>
.links {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
  margin-left: var(--space-5);
  font-family: var(--sans);
  font-size: var(--type-text);
}
@media (max-width: 640px) {
  .links {
    margin-left: 0;
  }
  .links a,
  .links button {
    display: inline-flex;
    align-items: center;
    min-height: 48px;
  }
}
</style>
