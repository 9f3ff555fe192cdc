<script setup lang="ts">
// Shelves: what stands there, until when it keeps and how long it lasts; put in
// by hand or from a CSV.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { answer, api, Refused, type Lot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { linesOf, otherErrors } from '../../lib/problems'
import { sources, texture } from '../../lib/facts'
import { provideRates, useLotName } from '../../lib/lots'
import { count } from '../../lib/words'
import LogLine from '../../parts/LogLine.vue'
import FilePick from '../../parts/FilePick.vue'
import WrongLines from '../../parts/WrongLines.vue'
import LotForm from './LotForm.vue'
import LotRow from './LotRow.vue'
import ShelfRooms from './ShelfRooms.vue'

const store = useHousehold()
const adding = ref(false)
const read = ref<Lot[]>()
const fileWrong = ref<string[]>([])

const route = useRoute()
provideRates()
/** What one lot is, in words. */
const what = useLotName()
/** The lot whose label was scanned. */
const scanned = computed(() => String(route.query.lot ?? ''))
const unknown = computed(() => !!scanned.value && !lots.value.some((l) => l.id === scanned.value))

const lots = computed(() => store.household?.lots ?? [])
const there = computed(() => new Set(store.plan?.shelf.map((s) => s.lot)))
const sections = computed(() =>
  sources()
    .map((s) => ({
      title: s.shelf,
      lots: lots.value.filter((l) => there.value.has(l.id) && texture(l.form) === s.source),
    }))
    .filter((s) => s.lots.length),
)
/** What was all taken; it may be counted again, where some is found. */
const used = computed(() => lots.value.filter((l) => !there.value.has(l.id)))

async function readFile(text: string) {
  fileWrong.value = []
  read.value = undefined
  try {
    read.value = await answer(() => api.POST('/lots-read', { body: { text } }))
  } catch (err) {
    if (!(err instanceof Refused)) throw err
    fileWrong.value = linesOf(err.problem)
  }
}

async function takeFile() {
  if (!read.value) return
  const p = await store.edit({ command: 'add-lots', lots: read.value })
  fileWrong.value = p ? [otherErrors(p) || p.detail] : []
  if (!p) read.value = undefined
}
</script>

<template>
  <section class="shelves" aria-label="Shelves">
    <h2 class="hidden-words" tabindex="-1">Shelves</h2>
    <div class="bar">
      <ElButton type="primary" :aria-expanded="adding" @click="adding = !adding">Add to shelf</ElButton>
      <RouterLink v-if="sections.length" to="/shelves/count">Count the shelf</RouterLink>
      <RouterLink v-if="sections.length" to="/shelves/labels">Labels</RouterLink>
      <span class="files small">
        <FilePick words="read a CSV" accept=".csv,text/csv" @read="readFile" />
        <a v-if="lots.length" class="link" href="/api/shelf-file" download="shelf.csv">Save as CSV</a>
      </span>
    </div>
    <LogLine
      hint="took 2 jars of sauce · put up 7 quarts of beans · 20 kg potatoes to storage · 1 jar of sauce spoiled"
    />
    <LotForm v-if="adding" @done="adding = false" />
    <div v-if="read" class="read" role="status">
      <p>
        <strong>{{ count(read.length, 'item') }}</strong> in the file: {{ read.slice(0, 4).map(what).join(' · ')
        }}{{ read.length > 4 ? ' …' : '' }}
      </p>
      <ElButton type="primary" @click="takeFile">Add all to shelf</ElButton>
      <ElButton @click="read = undefined">Cancel</ElButton>
    </div>
    <WrongLines :lines="fileWrong" :most="8" />

    <p v-if="unknown" class="wrong" role="alert">
      Nothing on this shelf has this label. It was removed, or the label belongs to another household.
    </p>
    <p v-if="!lots.length" class="empty">
      The shelf is empty. Add what you have in the cellar, in jars and in the freezer. The plan then grows less of what
      will still be there at the next harvest.
    </p>
    <template v-for="s in sections" :key="s.title">
      <h3>{{ s.title }}</h3>
      <LotRow v-for="l in s.lots" :key="l.id" :lot="l" :scanned="l.id === scanned" />
    </template>
    <details v-if="used.length" class="used" :open="used.some((l) => l.id === scanned)">
      <summary>{{ count(used.length, 'item') }} used up</summary>
      <LotRow v-for="l in used" :key="l.id" :lot="l" :scanned="l.id === scanned" />
    </details>

    <ShelfRooms v-if="store.plan?.rooms.length" />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  gap: var(--space-6);
  align-items: center;
}
.files {
  display: flex;
  gap: var(--space-6);
}
h3 {
  margin: var(--space-6) 0 var(--space-1);
  font-size: var(--type-large);
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-1);
}
.used summary {
  padding: var(--space-5) 0 var(--space-2);
  cursor: pointer;
}
.read {
  margin: var(--space-5) 0;
  border-left: 3px solid var(--accent);
  padding: var(--space-3) var(--space-5);
  background: var(--sheet);
}
.read .el-button {
  margin-top: var(--space-4);
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
  max-width: 44rem;
}
</style>
