<script setup lang="ts">
// One row of the crop book: its name, its marks, and all of it when it is opened.
import { count } from '../../lib/words'

defineProps<{
  id: string
  name: string
  latin: string
  group: string
  /** What marks a row of the household's own. */
  own: string
  overruled: number
  basis: string
  open: boolean
}>()
defineEmits<{ toggle: [] }>()
</script>

<template>
  <div class="entry" :class="{ open }" :data-book="id">
    <button type="button" class="plain head" :aria-expanded="open" @click="$emit('toggle')">
      <span class="name">{{ name }}</span>
      <em class="quiet">{{ latin }}</em>
      <span class="quiet small">{{ group }}</span>
      <span class="marks small"
        ><span v-if="own" class="own">{{ own }}</span>
        <span v-if="overruled" class="warn">{{ count(overruled, 'figure of yours', 'figures of yours') }}</span></span
      >
    </button>
    <div v-if="open" class="body">
      <slot />
      <p class="small quiet">Source: {{ basis }}</p>
      <p class="small acts"><slot name="acts" /></p>
      <slot name="below" />
    </div>
  </div>
</template>

<style scoped>
.entry {
  border-bottom: 1px solid var(--hair);
}
.entry.open {
  background: var(--sheet);
  border-left: 3px solid var(--accent);
}
.head {
  width: 100%;
  display: grid;
  grid-template-columns: minmax(10rem, 1.6fr) minmax(8rem, 1.2fr) minmax(6rem, 0.9fr) auto;
  gap: var(--space-5);
  padding: var(--space-3) var(--space-4);
  align-items: baseline;
}
.head:hover {
  background: color-mix(in srgb, var(--wash) 55%, transparent);
}
.name {
  font-family: var(--serif);
  font-size: var(--type-body);
}
.marks {
  display: flex;
  gap: var(--space-5);
}
.own {
  font-weight: 650;
}
.body {
  padding: var(--space-1) var(--space-5) var(--space-5);
  display: grid;
  gap: var(--space-4);
}
.acts {
  display: flex;
  gap: var(--space-6);
}
@media (max-width: 720px) {
  .head {
    grid-template-columns: minmax(0, 1fr) auto;
    min-height: 44px;
  }
  .head .small:not(.marks) {
    display: none;
  }
}
</style>
