<script setup lang="ts" generic="T extends string | boolean">
// One of a few, side by side.
defineProps<{ label: string; options: { value: T; words: string }[] }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <span class="choice" role="group" :aria-label="label">
    <button
      v-for="o in options"
      :key="String(o.value)"
      type="button"
      class="plain"
      :aria-pressed="model === o.value"
      @click="model = o.value"
    >
      {{ o.words }}
    </button>
  </span>
</template>
