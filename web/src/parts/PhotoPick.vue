<script setup lang="ts">
// A word to press that takes photographs with this device, or chooses them, and sends them.
import { ref } from 'vue'
import { sendPhotograph } from '../lib/photographs'

const emit = defineEmits<{ sent: [id: string]; wrong: [words: string] }>()
const input = ref<HTMLInputElement>()
const sending = ref(0)

async function take() {
  const files = [...(input.value?.files ?? [])]
  if (input.value) input.value.value = '' // the same file may be chosen once more
  emit('wrong', '')
  for (const file of files) {
    sending.value++
    const { id, wrong } = await sendPhotograph(file)
    sending.value--
    if (id) emit('sent', id)
    if (wrong) emit('wrong', wrong)
  }
}
</script>

<template>
  <label class="pick" tabindex="0" @keydown.enter="input?.click()"
    >{{ sending ? 'Sending …' : 'Photograph'
    }}<input
      ref="input"
      type="file"
      accept="image/jpeg,image/png,image/webp,image/*"
      multiple
      class="hidden-words"
      aria-label="Take or choose photographs"
      :disabled="sending > 0"
      @change="take"
  /></label>
</template>

<style scoped>
.pick {
  display: inline-flex;
  align-items: center;
  min-height: 32px;
  padding: 0 var(--space-4);
  border: 1px solid var(--hair-2);
  cursor: pointer;
}
.pick:focus-within,
.pick:hover {
  border-color: var(--ink);
}
@media (max-width: 640px) {
  .pick {
    min-height: 48px;
  }
}
</style>
