<script setup lang="ts">
// One time of a job of the household's own: done with one press.
import { computed, ref } from 'vue'
import type { ChoreDue } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { wordsOf } from '../../lib/problems'
import { day, weekday } from '../../lib/words'

const props = defineProps<{ due: ChoreDue; overdue?: boolean }>()
const store = useHousehold()
const ground = useGround()
const wrong = ref('')
const chore = computed(() => store.household?.chores.find((c) => c.id === props.due.chore))
const place = computed(() => (props.due.bed ? ground.bedName(props.due.bed) : ''))

async function done() {
  if (!chore.value || !store.plan) return
  const c = { ...chore.value, done: [...chore.value.done, store.plan.as_of] }
  wrong.value = wordsOf(await store.edit({ command: 'change-chore', chore: c }))
}
</script>

<template>
  <li class="task" :data-chore="due.name">
    <button type="button" class="tick" :aria-label="`Done: ${due.name}`" :disabled="store.busy > 0" @click="done">
      <svg viewBox="0 0 16 16" aria-hidden="true"><path d="M3 8.5 6.5 12 13 4.5" /></svg>
    </button>
    <RouterLink class="what" to="/daybook/work">
      <span class="name">{{ due.name }}</span>
      <span class="more small"
        ><span v-if="due.minutes">{{ fixed(due.minutes, 0) }} min</span><span v-if="place">{{ place }}</span
        ><span v-if="chore?.every">every {{ chore.every }} days</span></span
      >
    </RouterLink>
    <span class="when" :class="{ warn: overdue }"
      ><span class="weekday small">{{ weekday(due.day).slice(0, 3) }}</span> {{ day(due.day) }}</span
    >
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </li>
</template>

<style scoped>
.what {
  color: inherit;
  text-decoration: none;
}
.name {
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-large);
}
.wrong {
  grid-column: 2 / -1;
}
</style>
