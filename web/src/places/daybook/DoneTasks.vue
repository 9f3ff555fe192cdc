<script setup lang="ts">
// What was done in the last two weeks.
import type { doneIn } from '../../lib/daybook'
import { useUnits } from '../../lib/units'
import { day } from '../../lib/words'

defineProps<{ done: ReturnType<typeof doneIn> }>()
const { render } = useUnits()
</script>

<template>
  <section aria-label="Done">
    <h3>Done</h3>
    <ul v-if="done.length" class="done">
      <li v-for="d in done" :key="d.sowing.id + d.task.what">
        <b>{{ day(d.task.done) }}</b> {{ d.task.do }} <span class="crop">{{ d.sowing.crop_name }}</span><span
          v-if="d.task.got"
          class="quiet"
          >, {{ render(`${d.task.got} ${d.task.unit ?? ''}`) }}</span
        >
      </li>
    </ul>
    <p v-else class="quiet none">Nothing in these two weeks.</p>
  </section>
</template>

<style scoped>
.done li {
  padding: var(--space-1) 0;
  border-bottom: 1px solid var(--hair);
}
.done b {
  display: inline-block;
  min-width: 3.6rem;
  font-family: var(--serif);
}
.done .crop {
  font-family: var(--serif);
}
</style>
