<script setup lang="ts">
// “What is this?” beside a figure or a setting: a small button that opens one sentence.
import { onClickOutside } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { glossary } from '../lib/glossary'

const props = defineProps<{
  /** What is explained. */
  of: string
  /** The explanation, where the glossary does not have it. */
  words?: string
}>()
const open = ref(false)
const whole = useTemplateRef<HTMLElement>('whole')
const means = computed(() => props.words ?? glossary.find((g) => g.word === props.of)?.means ?? '')
onClickOutside(whole, () => (open.value = false))
</script>

<template>
  <span v-if="means" ref="whole" class="what-is no-print" @keydown.esc="open = false">
    <!-- No button element: within the label of a field it would be what the label stands for. -->
    <span
      class="ask"
      role="button"
      tabindex="0"
      :aria-expanded="open"
      :aria-label="`What is this? ${of}`"
      @click.prevent.stop="open = !open"
      @keydown.enter.prevent="open = !open"
      @keydown.space.prevent="open = !open"
      >?</span
    >
    <span v-if="open" class="said" role="status">{{ means }}</span>
  </span>
</template>

<style scoped>
.what-is {
  position: relative;
  display: inline-block;
  margin-left: var(--space-2);
}
.ask {
  display: inline-grid;
  place-content: center;
  cursor: pointer;
  width: 1.25rem;
  height: 1.25rem;
  border: 1px solid var(--hair-2);
  border-radius: 50%;
  font-size: var(--type-tiny);
  line-height: 1;
  color: var(--ink-2);
  text-align: center;
}
.said {
  position: absolute;
  z-index: 5;
  top: calc(100% + var(--space-2));
  right: 0;
  width: max-content;
  max-width: min(18rem, 70vw);
  padding: var(--space-3) var(--space-4);
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  font-family: var(--sans);
  font-size: var(--type-small);
  font-weight: 400;
  line-height: 1.35;
  text-align: left;
  text-transform: none;
  white-space: normal;
  color: var(--ink);
}
@media (max-width: 720px) {
  .ask {
    width: 2rem;
    height: 2rem;
  }
}
</style>
