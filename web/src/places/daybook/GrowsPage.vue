<script setup lang="ts">
// What is growing already: a line for each thing that stands, put down all at once. For whoever
// begins in the middle of a season, or kept no record for a while.
import { ElButton } from 'element-plus'
import { computed, nextTick, ref } from 'vue'
import { useForesight } from '../../lib/foresight'
import { growing, newLine, type GrowsLine } from '../../lib/grows'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors, wordsOf } from '../../lib/problems'
import type { Problem } from '../../lib/api'
import { count } from '../../lib/words'
import ForesightPanel from '../../parts/ForesightPanel.vue'
import GrowsRow from './GrowsRow.vue'

const store = useHousehold()
const { change, found, wrong, propose, drop } = useForesight()
const today = computed(() => store.plan?.as_of ?? '')
const lines = ref<GrowsLine[]>([newLine(today.value)])
const filled = computed(() => lines.value.filter((l) => l.crop))
const problem = ref<Problem>()

/** Add a line; it begins with the bed and the day of the one before. */
async function another() {
  const last = lines.value[lines.value.length - 1]
  lines.value.push(newLine(today.value, last))
  await nextTick()
  document.querySelector<HTMLElement>('[data-grows]:last-of-type input')?.focus()
}
function away(i: number) {
  lines.value.splice(i, 1)
  if (!lines.value.length) lines.value.push(newLine(today.value))
  drop()
}

function ask() {
  problem.value = undefined
  propose({ command: 'put-growing', growing: filled.value.map(growing) })
}
async function take() {
  problem.value = await store.grow(filled.value.map(growing))
  if (problem.value) return drop()
  drop()
  lines.value = [newLine(today.value)]
}

/** What is wrong with a line. */
function wrongOf(line: GrowsLine): string {
  const at = filled.value.indexOf(line)
  if (at < 0 || !problem.value) return ''
  const fields = ['crop', 'count', 'by', 'bed', 'since', 'behind']
  return fields.map((f) => fieldError(problem.value, `growing[${at}].${f}`)).find(Boolean) ?? ''
}
const other = computed(() =>
  problem.value && !lines.value.some(wrongOf) ? otherErrors(problem.value) || wordsOf(problem.value) : '',
)
</script>

<template>
  <section class="grows">
    <div class="place-bar">
      <h2 tabindex="-1">What is growing already</h2>
      <RouterLink to="/daybook" class="small">Back to the Daybook</RouterLink>
    </div>
    <p class="quiet about">
      Walk along the beds and enter what is growing, one line for each crop. It counts as it is and keeps its bed, and
      the plan is made around it from today.
    </p>
    <ul>
      <GrowsRow
        v-for="(l, i) in lines"
        :key="l.key"
        :line="l"
        :wrong="wrongOf(l)"
        @enter="another"
        @away="away(i)"
        @change="drop"
      />
    </ul>
    <p class="buttons">
      <ElButton size="small" @click="another">Add a line</ElButton>
      <ElButton size="small" type="primary" :disabled="!filled.length" @click="ask">What changes?</ElButton>
    </p>
    <ForesightPanel
      v-if="change"
      :found="found"
      :what="`What changes with ${count(filled.length, 'growing crop', 'growing crops')} already`"
      @take="take"
      @leave="drop"
    />
    <p v-if="wrong || other" class="wrong" role="alert">{{ wrong || other }}</p>
  </section>
</template>

<style scoped>
.about {
  max-width: 44rem;
  margin: var(--space-3) 0 var(--space-4);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  border-top: 1px solid var(--ink-2);
}
.buttons {
  display: flex;
  gap: var(--space-4);
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
@media (max-width: 720px) {
  .buttons .el-button {
    min-height: 44px;
  }
}
</style>
