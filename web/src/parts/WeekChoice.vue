<script setup lang="ts">
// Which week a sheet is of: so many weeks from this one on.
const ahead = defineModel<number>({ required: true })
</script>

<template>
  <span class="choice" role="group" aria-label="Which week">
    <button type="button" class="plain" aria-label="Previous week" :disabled="!ahead" @click="ahead--">‹</button>
    <button type="button" class="plain" :aria-pressed="!ahead" @click="ahead = 0">this week</button>
    <button type="button" class="plain" aria-label="Next week" :disabled="ahead > 51" @click="ahead++">›</button>
  </span>
</template>

<style scoped>
button {
  padding: var(--space-1) var(--space-4);
}
</style>
