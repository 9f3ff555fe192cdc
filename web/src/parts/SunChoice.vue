<script setup lang="ts">
// How the screen is read: as usual, or in bright sun, in black on white and larger.
import { light } from '../lib/light'
import ChoiceButtons from './ChoiceButtons.vue'
</script>

<template>
  <ChoiceButtons
    v-model="light"
    label="Screen"
    :options="[
      { value: 'usual', words: 'usual screen' },
      { value: 'sun', words: 'for bright sun' },
    ]"
  />
</template>
