<script setup lang="ts">
// Which paper, and the word that prints.
import type { Paper } from '../lib/paper'

defineProps<{ words: string }>()
const paper = defineModel<Paper>({ required: true })
const print = () => window.print()
</script>

<template>
  <span class="choice" role="group" aria-label="Paper">
    <button type="button" class="plain" :aria-pressed="paper === 'A4'" @click="paper = 'A4'">A4</button>
    <button type="button" class="plain" :aria-pressed="paper === 'letter'" @click="paper = 'letter'">Letter</button>
  </span>
  <button type="button" class="link" @click="print">{{ words }}</button>
</template>
