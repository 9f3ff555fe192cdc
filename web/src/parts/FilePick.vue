<script setup lang="ts">
// A word to press that reads a text file of this device.
import { ref } from 'vue'

defineProps<{ words: string; accept: string; label?: string }>()
const emit = defineEmits<{ read: [text: string, name: string] }>()
const input = ref<HTMLInputElement>()

async function take() {
  const chosen = input.value?.files?.[0]
  if (!chosen) return
  const text = await chosen.text()
  if (input.value) input.value.value = '' // the same file may be read once more
  emit('read', text, chosen.name)
}
</script>

<template>
  <label class="link" tabindex="0" @keydown.enter="input?.click()"
    >{{ words
    }}<input ref="input" type="file" :accept="accept" class="hidden-words" :aria-label="label ?? words" @change="take"
  /></label>
</template>
