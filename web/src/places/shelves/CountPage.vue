<script setup lang="ts">
// Counting a shelf: a number beside each lot, Enter goes on to the next. What is typed is what really
// stands there; what is left empty is not counted.
import { ElButton, ElInput } from 'element-plus'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Lot } from '../../lib/api'
import { sources, texture } from '../../lib/facts'
import { useHousehold } from '../../lib/household'
import { measured, useLotName } from '../../lib/lots'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count, fullDay } from '../../lib/words'

const store = useHousehold()
const router = useRouter()
const nameOf = useLotName()
const { say, read, shown } = useUnits()
const typed = reactive<Record<string, string>>({})
const wrong = ref('')
const list = ref<HTMLElement>()

const standing = computed(() => new Map((store.plan?.shelf ?? []).map((s) => [s.lot, s])))
const sections = computed(() =>
  sources()
    .map((s) => ({
      title: s.shelf,
      lots: (store.household?.lots ?? [])
        .filter((l) => standing.value.has(l.id) && texture(l.form) === s.source)
        .sort((a, b) => nameOf(a).localeCompare(nameOf(b)) || a.put_up.localeCompare(b.put_up)),
    }))
    .filter((s) => s.lots.length),
)
const unit = (l: Lot) => (l.unit === 'kg' ? 'kg' : '')
const there = (l: Lot) => (l.unit === 'kg' ? standing.value.get(l.id)?.amount : standing.value.get(l.id)?.count) ?? 0
const number = (l: Lot) => {
  const text = typed[l.id]?.trim()
  return text ? read(text, unit(l)) : undefined
}
/** Whether what is typed is no number of things. */
const isWrong = (l: Lot) => {
  const n = number(l)
  return n !== undefined && !(n >= 0)
}
/** What a number says beside what the entries say. */
function found(l: Lot): string {
  const n = number(l)
  if (n === undefined) return ''
  if (isWrong(l)) return 'Enter a number.'
  const less = there(l) - n
  if (Math.abs(less) < 1e-9) return 'as recorded'
  const much = l.unit === 'kg' ? say(Math.abs(less), 'kg') : String(Math.round(Math.abs(less) * 100) / 100)
  return less > 0 ? `${much} used without a record` : `${much} more than recorded`
}
const counted = computed(() =>
  (store.household?.lots ?? []).flatMap((lot) => {
    const n = number(lot)
    return n !== undefined && n >= 0 ? [{ lot, n }] : []
  }),
)
const bad = computed(() => sections.value.some((s) => s.lots.some(isWrong)))

/** Goes on to the next number; after the last one to the button. */
function next(e: Event) {
  const all = [...(list.value?.querySelectorAll<HTMLElement>('input, .keep') ?? [])]
  all[all.indexOf(e.target as HTMLElement) + 1]?.focus()
}

async function keep() {
  const p = await store.record({
    entries: counted.value.map(({ lot, n }) => ({
      id: '',
      act: 'count',
      day: store.plan?.as_of ?? '',
      lot: lot.id,
      food: lot.food,
      ...measured(lot, n),
    })),
  })
  wrong.value = wordsOf(p)
  if (!p) await router.push('/shelves')
}
</script>

<template>
  <section ref="list" class="count" aria-label="Count the shelf">
    <div class="place-bar">
      <h2 tabindex="-1">Count the shelf</h2>
      <RouterLink class="small" to="/shelves">Back to Shelves</RouterLink>
    </div>
    <p v-if="!sections.length" class="empty">The shelf is empty, so there is nothing to count.</p>
    <p v-else class="small quiet">
      Type what is really there. Enter goes to the next line. Lines you leave empty are not changed.
    </p>
    <template v-for="s in sections" :key="s.title">
      <h3>{{ s.title }}</h3>
      <label v-for="l in s.lots" :key="l.id" class="line" :data-count="l.id">
        <span class="what"
          >{{ nameOf(l) }} <span class="small quiet">{{ fullDay(l.put_up) }}</span></span
        >
        <ElInput
          v-model="typed[l.id]"
          class="number"
          inputmode="decimal"
          :aria-label="`Counted: ${nameOf(l)} of ${fullDay(l.put_up)}`"
          @keydown.enter.prevent="next"
        />
        <span class="small quiet">{{ l.unit === 'kg' ? shown('kg').unit : '× ' + say(l.size, l.unit) }}</span>
        <span class="small" :class="{ warn: isWrong(l) }">{{ found(l) }}</span>
      </label>
    </template>
    <div v-if="sections.length" class="end">
      <ElButton class="keep" type="primary" :disabled="!counted.length || bad" @click="keep">
        Save the count{{ counted.length ? ` of ${count(counted.length, 'item')}` : '' }}
      </ElButton>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </div>
  </section>
</template>

<style scoped>
.count {
  max-width: 46rem;
}
h3 {
  margin: var(--space-6) 0 var(--space-1);
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-large);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 5rem 5.5rem minmax(7rem, 12rem);
  gap: 0 var(--space-4);
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--hair);
}
.what {
  font-family: var(--serif);
}
.end {
  padding: var(--space-5) 0;
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
@media (max-width: 640px) {
  .line {
    grid-template-columns: minmax(0, 1fr) 4.5rem 5rem;
    min-height: 48px;
  }
  .line > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
