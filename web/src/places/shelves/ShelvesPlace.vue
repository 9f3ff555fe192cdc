<script setup lang="ts">
// Shelves: what stands there, until when it keeps and how long it lasts; put in
// by hand or from a CSV.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import { answer, api, Refused, type Lot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { linesOf, otherErrors } from '../../lib/problems'
import { useRows } from '../../lib/rowedit'
import { useUnits } from '../../lib/units'
import { formChoice, sources, texture } from '../../lib/facts'
import { count, day, fullDay } from '../../lib/words'
import FilePick from '../../parts/FilePick.vue'
import NumberInput from '../../parts/NumberInput.vue'
import WrongLines from '../../parts/WrongLines.vue'
import LotForm from './LotForm.vue'
import ShelfRooms from './ShelfRooms.vue'

const store = useHousehold()
const { say } = useUnits()
const { rows, wrong, save, remove } = useRows('lot', () => store.household?.lots ?? [])
const adding = ref(false)
const read = ref<Lot[]>()
const fileWrong = ref<string[]>([])

const standing = (id: string) => store.plan?.shelf.find((s) => s.lot === id)
const prep = (id: string | undefined) => store.reference?.preparations.find((p) => p.id === id)
const storeName = (id: string | undefined) => store.household?.stores.find((s) => s.id === id)?.name ?? ''

/** What one lot is, in words. */
function what(l: Lot): string {
  const p = prep(l.preparation)
  if (l.form === 'cellar') return l.food.charAt(0).toUpperCase() + l.food.slice(1)
  return p ? p.name : `${l.food.charAt(0).toUpperCase()}${l.food.slice(1)}, ${formChoice(l.form)}`
}

const sections = computed(() => {
  return sources()
    .map((s) => ({
      title: s.shelf,
      rows: rows.map((r, i) => ({ r, i })).filter((x) => texture(x.r.value.form) === s.source),
    }))
    .filter((s) => s.rows.length)
})

/** How long a lot lasts, in words. */
function lasts(id: string): { words: string; loud: boolean } {
  const s = standing(id)
  if (!s) return { words: '', loud: false }
  if (s.expired) return { words: `past its time since ${fullDay(s.until)}`, loud: true }
  if (s.runs_out) return { words: `eaten by ${fullDay(s.runs_out)}`, loud: false }
  if (s.wasted > 0) {
    const size = rows.find((r) => r.value.id === id)?.value.size ?? 1
    const many = s.unit === 'kg' ? say(s.wasted, 'kg') : `${Math.max(1, Math.round(s.wasted / size))}`
    return { words: `${many} too many by ${fullDay(s.until)}`, loud: s.wasted > s.amount / 3 }
  }
  return { words: s.wish ? 'lasts beyond two years' : 'no wish draws on it', loud: !s.wish }
}

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
  <section class="shelves" aria-label="The shelves">
    <h2 class="hidden-words" tabindex="-1">Shelves</h2>
    <div class="bar">
      <ElButton type="primary" :aria-expanded="adding" @click="adding = !adding">Put in</ElButton>
      <span class="files small">
        <FilePick words="read a CSV" accept=".csv,text/csv" @read="readFile" />
        <a v-if="rows.length" class="link" href="/api/shelf-file" download="shelf.csv">save as CSV</a>
      </span>
    </div>
    <LotForm v-if="adding" @done="adding = false" />
    <div v-if="read" class="read" role="status">
      <p>
        <strong>{{ count(read.length, 'lot') }}</strong> in the file: {{ read.slice(0, 4).map(what).join(' · ')
        }}{{ read.length > 4 ? ' …' : '' }}
      </p>
      <ElButton type="primary" @click="takeFile">Put them on the shelf</ElButton>
      <ElButton @click="read = undefined">Leave them</ElButton>
    </div>
    <WrongLines :lines="fileWrong" :most="8" />

    <p v-if="!rows.length" class="empty">
      Nothing is entered. Put in what stands in the cellar, in jars and in the freezer, and each wish is reduced by what
      will still be there when the new crop comes.
    </p>
    <template v-for="s in sections" :key="s.title">
      <h3>{{ s.title }}</h3>
      <div class="lots">
        <template v-for="{ r, i } in s.rows" :key="r.value.id">
          <div class="lot" :data-lot="r.value.id">
            <span class="what">
              {{ what(r.value) }}
              <span v-if="r.value.note || r.value.store" class="quiet small">{{
                [storeName(r.value.store), r.value.note].filter(Boolean).join(' · ')
              }}</span>
            </span>
            <span class="n"
              ><NumberInput v-model="r.value.count" :label="'How many: ' + what(r.value)" @done="save(i)"
            /></span>
            <span class="size quiet small">{{
              r.value.unit === 'pieces' ? 'pieces' : '× ' + say(r.value.size, r.value.unit)
            }}</span>
            <span class="date small">{{ fullDay(r.value.put_up) }}</span>
            <span class="small keeps">keeps to {{ day(standing(r.value.id)?.until) }}</span>
            <span class="small lasts" :class="{ warn: lasts(r.value.id).loud }">{{ lasts(r.value.id).words }}</span>
            <button
              type="button"
              class="link small"
              :aria-label="'Remove ' + what(r.value)"
              @click="remove(r.value.id)"
            >
              remove
            </button>
            <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
          </div>
        </template>
      </div>
    </template>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>

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
.lot {
  display: grid;
  grid-template-columns: minmax(10rem, 2.4fr) 4.2rem 5rem 6.4rem 7rem minmax(9rem, 1.4fr) auto;
  gap: 0 var(--space-5);
  align-items: center;
  border-bottom: 1px solid var(--hair);
  min-height: 32px;
}
.lot .wrong {
  grid-column: 1 / -1;
}
.what {
  font-family: var(--serif);
  line-height: 1.2;
}
.what .small {
  display: block;
  font-family: var(--sans);
}
.date,
.keeps,
.lasts {
  font-variant-numeric: tabular-nums;
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
@container leaf (max-width: 720px) {
  .lot {
    grid-template-columns: minmax(0, 1fr) 4.2rem auto;
    padding: var(--space-4) 0;
  }
  .lot .date,
  .lot .keeps {
    display: none;
  }
  .lot .lasts {
    grid-column: 1 / 3;
  }
}
</style>
