<script setup lang="ts">
// Find anything: foods, sowings, beds, what is on the shelf, entries, settings and help, from every place.
import { ElDialog, ElInput } from 'element-plus'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { api } from '../lib/api'
import { useAnswer } from '../lib/ask'
import { glossary } from '../lib/glossary'
import { useHousehold } from '../lib/household'
import { useLotName } from '../lib/lots'
import { useUnits } from '../lib/units'
import { day, fullDay } from '../lib/words'

interface Found {
  kind: string
  name: string
  about?: string
  to: RouteLocationRaw
  /** The part of the page that it is about, by its label. */
  part?: string
}
const open = defineModel<boolean>({ required: true })
const store = useHousehold()
const router = useRouter()
const { render } = useUnits()
const lotName = useLotName()
const text = ref('')
const at = ref(0)
const field = ref<InstanceType<typeof ElInput>>()
watch(open, async (o) => {
  if (!o) return
  text.value = ''
  await nextTick()
  field.value?.focus()
})

const settings: [string, string?][] = [
  ['Who eats here'],
  ['Guests'],
  ['Storage places'],
  ['Patches growing now'],
  ['Your own measures'],
  ['Your own figures'],
  ['Location and climate'],
  ['Kitchen and goals'],
  ['Garden work and seedling shelf'],
  ['Kitchen scale'],
  ['Household and rules'],
  ['Backups'],
]
const all = computed<Found[]>(() => {
  const p = store.plan
  return [
    ...(p?.wishes ?? []).map((w) => ({
      kind: 'Wish',
      name: w.title,
      about: w.words,
      to: { path: '/table', query: { find: w.title } },
    })),
    ...(p?.sowings ?? []).map((s) => ({
      kind: 'Sowing',
      name: s.crop_name,
      about: day(s.date),
      to: { path: '/sowings', query: { find: s.crop_name } },
    })),
    ...(store.household?.beds ?? []).map((b) => ({
      kind: 'Bed',
      name: b.name,
      to: { path: '/ground', query: { free: b.id, day: p?.as_of } },
    })),
    ...(store.household?.lots ?? [])
      .filter((l) => l.count > 0)
      .map((l) => ({ kind: 'Shelf', name: lotName(l), to: { path: '/shelves', query: { lot: l.id } } })),
    ...(store.reference?.foods ?? []).map((f) => ({
      kind: 'Crop book',
      name: f.name,
      to: { path: '/house/book', query: { find: f.name } },
    })),
    ...settings.map(([name]) => ({ kind: 'Setting', name, to: '/house', part: name })),
    ...glossary.map((t) => ({ kind: 'Help', name: t.word, about: t.means, to: '/help' })),
  ]
})
const wanted = computed(() => text.value.trim().toLowerCase().split(/\s+/).filter(Boolean))
const entriesFor = refDebounced(text, 200)
const { data: told } = useAnswer(
  'found-entries',
  () => (open.value && entriesFor.value.trim().length > 1 ? entriesFor.value.trim() : undefined),
  (find, signal) =>
    api.GET('/entries', { params: { query: { from: '1950-01-01', to: store.plan?.as_of ?? '', find } }, signal }),
)
const most = 14
const found = computed<Found[]>(() => {
  if (!wanted.value.length) return []
  const fits = (f: Found) => {
    const words = `${f.kind} ${f.name} ${f.about ?? ''}`.toLowerCase()
    return wanted.value.every((w) => words.includes(w))
  }
  // What has the words in its name comes first.
  const rank = (f: Found) => (wanted.value.every((w) => f.name.toLowerCase().includes(w)) ? 0 : 1)
  const seen = new Set<string>()
  const here = all.value
    .filter(fits)
    .filter((f) => {
      const key = JSON.stringify([f.kind, f.name, f.to])
      return !seen.has(key) && seen.add(key)
    })
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, most)
  const entries = (told.value?.entries ?? []).slice(0, 5).map((e) => ({
    kind: 'Entry',
    name: render(e.words),
    about: fullDay(e.day),
    to: `/daybook/day/${e.day}`,
  }))
  return [...here, ...entries]
})
watch(found, () => (at.value = 0))

async function go(f: Found | undefined) {
  if (!f) return
  open.value = false
  await router.push(f.to)
  await nextTick()
  if (f.part) document.querySelector(`[aria-label="${f.part}"]`)?.scrollIntoView()
}
function key(e: KeyboardEvent) {
  const step = { ArrowDown: 1, ArrowUp: -1 }[e.key]
  if (!step || !found.value.length) return
  e.preventDefault()
  at.value = (at.value + step + found.value.length) % found.value.length
}
</script>

<template>
  <ElDialog v-model="open" title="Find anything" width="min(40rem, 94vw)">
    <form data-find @submit.prevent="go(found[at])" @keydown="key">
      <ElInput
        ref="field"
        v-model="text"
        size="large"
        placeholder="a food, a bed, a sowing, a jar, an entry, a setting, a word"
        aria-label="Find anything"
      />
      <ul v-if="found.length">
        <li v-for="(f, i) in found" :key="i">
          <button type="button" class="plain" :class="{ at: i === at }" data-found @click="go(f)">
            <span class="quiet small">{{ f.kind }}</span> <b>{{ f.name }}</b>
            <span v-if="f.about" class="quiet small"> {{ render(f.about) }}</span>
          </button>
        </li>
      </ul>
      <p v-else-if="wanted.length" class="quiet" role="status">Nothing has these words.</p>
      <p v-else class="quiet small">Arrows choose, Enter opens, Esc closes.</p>
    </form>
  </ElDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: var(--space-4) 0 0;
  padding: 0;
  max-height: 55vh;
  overflow-y: auto;
}
button {
  display: block;
  width: 100%;
  min-height: 36px;
  padding: var(--space-2) var(--space-4);
  text-align: left;
}
button.at,
button:hover {
  background: var(--wash);
}
</style>
