<script setup lang="ts">
// Photographs in a row, small; one press shows one as large as it is kept.
import { ElDialog } from 'element-plus'
import { ref } from 'vue'
import { photograph } from '../lib/photographs'

defineProps<{ ids: string[]; words: string; removable?: boolean }>()
const emit = defineEmits<{ remove: [id: string] }>()
const shown = ref('')
const gone = ref(new Set<string>()) // named in a household file that came without its photographs
</script>

<template>
  <span class="strip">
    <span v-for="(id, i) in ids" :key="id" class="one">
      <span v-if="gone.has(id)" class="quiet small">This photograph is not stored here.</span>
      <button v-else type="button" :aria-label="`Photograph ${i + 1}: ${words}`" @click="shown = id">
        <img :src="photograph(id, true)" :alt="words" loading="lazy" @error="gone.add(id)" />
      </button>
      <button v-if="removable" type="button" class="link small" @click="emit('remove', id)">Remove</button>
    </span>
    <ElDialog
      :model-value="!!shown"
      :title="words"
      width="min(60rem, 94vw)"
      append-to-body
      align-center
      @close="shown = ''"
    >
      <img v-if="shown" class="large" :src="photograph(shown)" :alt="words" />
    </ElDialog>
  </span>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
.one {
  display: inline-flex;
  flex-direction: column;
}
.one > button:first-child {
  padding: 0;
  border: 1px solid var(--hair-2);
  background: none;
  cursor: zoom-in;
  line-height: 0;
}
.one img {
  height: 72px;
  width: auto;
  max-width: 140px;
  object-fit: cover;
}
.large {
  display: block;
  max-width: 100%;
  max-height: 78vh;
  margin: 0 auto;
}
</style>
