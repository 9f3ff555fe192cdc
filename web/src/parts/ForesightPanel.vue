<script setup lang="ts">
// What a change would come to, with the plan as it is beside it, to be taken or left.
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import type { Foresight } from '../lib/api'
import { useUnits } from '../lib/units'
import { count } from '../lib/words'
import MoveList from './MoveList.vue'

const props = defineProps<{ found?: Foresight; what: string }>()
const emit = defineEmits<{ take: []; leave: [] }>()
const { say } = useUnits()

const rows = computed(() => {
  const f = props.found
  if (!f) return []
  const number = (n: number) => String(n)
  const area = (n: number) => say(n, 'm²')
  return [
    { name: 'weeks fed, if there is room', was: number(f.before.weeks_fed), is: number(f.after.weeks_fed) },
    { name: 'plants', was: number(f.before.plants), is: number(f.after.plants) },
    { name: 'sowings', was: number(f.before.sowings), is: number(f.after.sowings) },
    { name: 'bed space in the fullest week', was: area(f.before.area), is: area(f.after.area) },
    { name: 'jars to fill, if there is room', was: number(f.before.jars), is: number(f.after.jars) },
  ].filter((r) => r.was !== r.is)
})
const nothing = computed(
  () => props.found && !rows.value.length && !props.found.wishes.length && !props.found.moves.length,
)
</script>

<template>
  <div class="foresight small" role="region" :aria-label="'What this changes: ' + what">
    <p class="what">{{ what }}</p>
    <p v-if="!found" class="quiet">Working out the plan…</p>
    <p v-else-if="nothing">Nothing in this year’s plan would change.</p>
    <template v-else>
      <p>
        <span v-for="r in rows" :key="r.name" class="figure"
          >{{ r.name }} <span class="number">{{ r.was }}</span> → <strong class="number">{{ r.is }}</strong></span
        >
      </p>
      <p v-if="found.wishes.length">
        <span v-for="w in found.wishes" :key="w.title" class="figure"
          >{{ w.title }}: fed {{ count(w.was, 'week') }} → <strong>{{ w.is }}</strong></span
        >
      </p>
      <MoveList v-if="found.moves.length" :moves="found.moves" />
      <p v-if="found.more" class="quiet">and {{ count(found.more, 'sowing') }} more</p>
    </template>
    <slot />
    <div class="buttons">
      <ElButton size="small" type="primary" :disabled="!found" @click="emit('take')">Use this</ElButton>
      <ElButton size="small" @click="emit('leave')">Cancel</ElButton>
    </div>
  </div>
</template>

<style scoped>
.foresight {
  border-left: 3px solid var(--accent);
  background: var(--wash);
  padding: var(--space-4) var(--space-5);
  margin: var(--space-4) 0;
  flex-basis: 100%;
}
.foresight p {
  margin: var(--space-1) 0;
}
.what {
  font-weight: 650;
}
.figure {
  display: inline-block;
  margin-right: var(--space-6);
}
.buttons {
  display: flex;
  gap: var(--space-4);
  margin-top: var(--space-4);
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
</style>
