<script setup lang="ts">
// What is wrong with a file, line by line; of many, the first few.
defineProps<{ lines: string[]; most?: number }>()
</script>

<template>
  <ul v-if="lines.length" class="wrong small" role="alert">
    <li v-for="w in lines.slice(0, most ?? 6)" :key="w">{{ w }}</li>
    <li v-if="lines.length > (most ?? 6)">and {{ lines.length - (most ?? 6) }} more</li>
  </ul>
</template>
