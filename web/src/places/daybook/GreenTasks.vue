<script setup lang="ts">
// What is to do about green manures in these weeks.
import type { greenTasks } from '../../lib/daybook'
import { useUnits } from '../../lib/units'
import { day } from '../../lib/words'

defineProps<{ tasks: ReturnType<typeof greenTasks> }>()
const { say } = useUnits()
</script>

<template>
  <section aria-label="Green manure">
    <h3>Green manure</h3>
    <p v-for="g in tasks" :key="g.green.bed + g.task.what + g.task.day" class="small">
      <b>{{ day(g.task.day) }}</b> {{ g.task.do }}: {{ g.green.name.toLowerCase() }}, {{ g.green.bed_name
      }}{{ g.task.count ? `, ${say(g.task.count, g.task.unit ?? '')}` : '' }}
    </p>
  </section>
</template>
