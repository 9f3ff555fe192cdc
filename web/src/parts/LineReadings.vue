<script setup lang="ts">
// What a typed line was understood as, before it is accepted.
import { computed } from 'vue'
import type { LineChoice, Reading } from '../lib/api'

const props = defineProps<{ readings: Reading[]; wrong: string; choices?: LineChoice[] }>()
defineEmits<{ take: [line: string] }>()
const chosen = defineModel<number>('chosen', { required: true })
/** What was taken for granted in the reading that is chosen. */
const notes = computed(() => (props.wrong ? [] : (props.readings[chosen.value]?.notes ?? [])))
</script>

<template>
  <div class="readings small" aria-live="polite">
    <template v-if="choices?.length">
      <span>How much? Choose one, or type your own amount:</span>
      <button v-for="c in choices" :key="c.line" type="button" class="plain reading" @click="$emit('take', c.line)">
        {{ c.words }}
      </button>
    </template>
    <span v-else-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
    <template v-else-if="readings.length === 1"
      ><span class="quiet">Understood:</span> <strong>{{ readings[0]?.words }}</strong></template
    >
    <template v-else-if="readings.length > 1">
      <span class="quiet">It could mean one of these. Enter uses the marked one:</span>
      <button
        v-for="(r, i) in readings"
        :key="r.words"
        type="button"
        class="plain reading"
        :aria-pressed="i === chosen"
        @click="chosen = i"
      >
        {{ r.words }}
      </button>
    </template>
    <span v-if="notes.length" class="quiet notes">{{ notes.join('; ') }}.</span>
  </div>
</template>

<style scoped>
.readings {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  align-items: baseline;
  min-height: 1.6rem;
  padding-top: var(--space-2);
}
.reading {
  border: 1px solid var(--hair-2);
  padding: var(--space-1) var(--space-4);
}
.notes {
  flex-basis: 100%;
}
.reading[aria-pressed='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--paper);
}
</style>
