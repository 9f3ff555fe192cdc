<script setup lang="ts">
// One of a few, side by side.
defineProps<{ label: string; options: { value: string; words: string }[] }>()
const model = defineModel<string>({ required: true })
</script>

<template>
  <span class="choice" role="group" :aria-label="label">
    <button
      v-for="o in options"
      :key="o.value"
      type="button"
      class="plain"
      :aria-pressed="model === o.value"
      @click="model = o.value"
    >
      {{ o.words }}
    </button>
  </span>
</template>
