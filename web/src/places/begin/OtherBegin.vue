<script setup lang="ts">
// Other ways to begin: from a household file, or in a made-up household.
import { ElButton } from 'element-plus'
import { onMounted, ref } from 'vue'
import { answer, api, Refused, type DemoHousehold, type HouseholdRead } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { linesOf, wordsOf } from '../../lib/problems'
import { count } from '../../lib/words'
import FilePick from '../../parts/FilePick.vue'

const store = useHousehold()
// Made-up households to look around in.
const demos = ref<DemoHousehold[]>([])
onMounted(async () => {
  try {
    demos.value = await answer(() => api.GET('/demo-households'))
  } catch (e) {
    if (!(e instanceof Refused)) throw e // without them one begins with a household of one's own
  }
})
async function lookAround(d: DemoHousehold) {
  const p = await store.edit({ command: 'begin', household: d.household })
  if (p) fileWrong.value = wordsOf(p)
}

// Open a household file that was saved.
const read = ref<HouseholdRead>()
const fileWrong = ref('')
async function readFile(text: string, name: string) {
  read.value = undefined
  fileWrong.value = ''
  try {
    read.value = await answer(() => api.POST('/household-file-read', { body: { text } }))
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    fileWrong.value = `${name}: ${linesOf(error.problem).join(' ')}`
  }
}
async function takeFile() {
  if (!read.value) return
  const p = await store.edit({ command: 'begin', household: read.value.household })
  if (p) fileWrong.value = wordsOf(p)
}
</script>

<template>
  <section class="other" aria-label="Other ways to start">
    <h2>Other ways to start</h2>
    <p>
      <FilePick
        words="From a household file"
        accept=".json,application/json"
        label="Open a household file"
        @read="readFile"
      /><span class="quiet small">, saved in House</span>
    </p>
    <div v-if="read" class="read" role="status">
      <b>{{ read.household.name }}</b>, year {{ read.household.year || 'that lies ahead' }}:
      {{ count(read.household.members.length, 'person', 'people') }},
      {{ count(read.household.wishes.length, 'wish', 'wishes') }}, {{ count(read.household.beds.length, 'bed') }}
      <template v-if="read.unknown.length"
        >; {{ count(read.unknown.length, 'entry', 'entries') }} not in this crop book, kept for you to correct</template
      >.
      <ElButton type="primary" size="small" data-take-file @click="takeFile">Use this file</ElButton>
      <ElButton size="small" @click="read = undefined">Cancel</ElButton>
    </div>
    <p v-if="fileWrong" class="wrong" role="alert">{{ fileWrong }}</p>
    <p v-if="demos.length">Look around in a made-up household:</p>
    <ul>
      <li v-for="d in demos" :key="d.id">
        <button type="button" class="link" :data-demo="d.id" @click="lookAround(d)">{{ d.household.name }}</button>
        <span class="quiet small"> {{ d.words }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.other {
  margin-top: var(--space-7);
  border-top: 1px solid var(--hair);
  padding-top: var(--space-5);
}
.other h2 {
  font-size: var(--type-large);
  margin-bottom: var(--space-3);
}
.other p,
.other ul {
  margin: var(--space-3) 0;
}
.other ul {
  list-style: none;
  padding: 0;
}
.other li {
  padding: var(--space-1) 0;
}
.other li .quiet {
  margin-left: var(--space-4);
}
.read {
  border-left: 3px solid var(--ink-2);
  padding: var(--space-3) var(--space-5);
}
.read .el-button {
  margin-left: var(--space-4);
}
</style>
