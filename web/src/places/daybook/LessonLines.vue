<script setup lang="ts">
// Lessons of earlier days about what is to be done.
import { computed } from 'vue'
import { useLessons } from '../../lib/lessons'

const props = defineProps<{ line: string }>()
const lessonsOf = useLessons()
const lessons = computed(() => lessonsOf(props.line))
</script>

<template>
  <p v-for="l in lessons" :key="l.id" class="lesson small" data-lesson>
    <span class="quiet">{{ l.day.slice(0, 4) }}{{ l.pest ? ', ' + l.pest : '' }}:</span> {{ l.note }}
  </p>
</template>

<style scoped>
.lesson {
  grid-column: 2 / -1;
  margin: 0 0 var(--space-2);
  padding-left: var(--space-3);
  border-left: 3px solid var(--accent);
}
</style>
