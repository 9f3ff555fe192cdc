<script setup lang="ts">
// Metric or US customary: how this device shows quantities.
import { useUnits } from '../lib/units'
import ChoiceButtons from './ChoiceButtons.vue'

defineProps<{ label: string; us: string }>()
const { system } = useUnits()
</script>

<template>
  <ChoiceButtons
    v-model="system"
    :label="label"
    :options="[
      { value: 'metric', words: 'metric' },
      { value: 'us', words: us },
    ]"
  />
</template>
