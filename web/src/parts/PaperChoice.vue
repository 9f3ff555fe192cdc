<script setup lang="ts">
// Which paper, and the word that prints.
import type { Paper } from '../lib/paper'
import ChoiceButtons from './ChoiceButtons.vue'

defineProps<{ words: string }>()
const paper = defineModel<Paper>({ required: true })
const print = () => window.print()
</script>

<template>
  <ChoiceButtons
    :model-value="paper"
    label="Paper"
    :options="[
      { value: 'A4', words: 'A4' },
      { value: 'letter', words: 'Letter' },
    ]"
    @update:model-value="(v) => (paper = v as Paper)"
  />
  <button type="button" class="link" @click="print">{{ words }}</button>
</template>
