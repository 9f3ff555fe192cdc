<script setup lang="ts">
// The sum behind a figure, laid out as on paper. An assumption in it can be
// overruled on the spot and put back.
import { ElButton, ElInput } from 'element-plus'
import { computed, nextTick, ref, watch } from 'vue'
import type { Problem, WorkingLine } from '../lib/api'
import { useDrawer } from '../lib/drawer'
import { fieldError, otherErrors, useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { count, fullDay, sourceOfValue } from '../lib/words'
import Figure from './Figure.vue'

const drawer = useDrawer()
const store = useHousehold()
const { quantity, precise, say, render, entry, read } = useUnits()

const editing = ref('')
const text = ref('')
const wrong = ref('')
const panel = ref<HTMLElement>()

const lines = computed(() => drawer.working?.lines ?? [])
const key = (l: WorkingLine) => (l.overrule ? `${l.overrule.subject} ${l.overrule.field}` : '')

/** The other figures of the same wish or sowing: the whole chain. */
const chain = computed(() => {
  const [kind, id] = drawer.figure.split('/')
  if (kind === 'sowing') {
    const s = store.plan?.sowings.find((x) => x.id === id)
    if (!s) return undefined
    const f = (name: string, label: string, value: number, unit: string) => ({
      figure: `sowing/${id}/${name}`,
      label,
      value,
      unit,
    })
    return {
      title: `${s.crop_name}, ${fullDay(s.date)}`,
      figures: [
        ...(s.form ? [f('need', 'to bring in', s.need, s.unit)] : []),
        ...(s.method === 'tray' ? [] : [f('plants', 'plants', s.plants, '')]),
        ...(s.set_out ? [f('set_out', s.stock_unit || 'set out', s.set_out, '')] : []),
        ...(s.cells ? [f('cells', 'cells', s.cells, '')] : []),
        ...(s.stations ? [f('stations', 'stations', s.stations, '')] : []),
        ...(s.seeds ? [f('seeds', 'seeds', s.seeds, '')] : s.seed_gram ? [f('seeds', 'seed', s.seed_gram, 'g')] : []),
        ...(s.stock_kg ? [f('stock', 'stock', s.stock_kg, 'kg')] : []),
        f('area', s.method === 'tray' ? 'tray' : 'bed', s.area, 'm²'),
        ...(s.form ? [f('likely', 'gives', s.likely, s.unit)] : []),
      ],
    }
  }
  const w = store.plan?.wishes.find((x) => x.id === id)
  if (kind !== 'wish' || !w) return undefined
  const f = (name: string, label: string, value: number, unit: string) => ({
    figure: `wish/${id}/${name}`,
    label,
    value,
    unit,
  })
  return {
    title: w.title,
    figures: [
      ...(w.weeks_wanted ? [f('fed', 'weeks fed', w.weeks_fed, '')] : []),
      ...w.uses
        .filter((u) => u.form && u.harvested > 0)
        .map((u) => ({
          figure: `${u.figure}/harvested`,
          label: u.part ? u.crop_name : u.form,
          value: u.harvested,
          unit: u.unit,
        })),
      f('plants', 'plants', w.plants, ''),
      f('area', 'bed', w.area, 'm²'),
      ...(w.harvested ? [f('left_over', 'left over', w.left_over, w.harvest_unit)] : []),
    ],
  }
})

/** The figure's title, without the name that stands above it already. */
const heading = computed(() => {
  const title = drawer.working?.title ?? ''
  const at = title.indexOf(': ')
  const rest = chain.value && at > 0 ? title.slice(at + 2) : title
  return rest.charAt(0).toUpperCase() + rest.slice(1)
})

const cautions = computed(() => {
  const [kind, id] = drawer.figure.split('/')
  const wish = kind === 'wish' ? id : store.plan?.sowings.find((s) => s.id === id)?.wish
  const ids = store.plan?.wishes.find((w) => w.id === wish)?.cautions ?? []
  return (store.reference?.cautions ?? []).filter((c) => ids.includes(c.id))
})

const putUp = computed(() =>
  cautions.value.some((c) => c.id === 'tested-recipes' || c.id === 'freezing' || c.id === 'drying'),
)

watch(
  () => drawer.figure,
  async (now, was) => {
    editing.value = ''
    if (now && !was) {
      await nextTick()
      panel.value?.focus()
    }
  },
)

async function begin(l: WorkingLine) {
  editing.value = key(l)
  text.value = entry(l.value, l.unit)
  wrong.value = ''
  await nextTick()
  panel.value?.querySelector<HTMLInputElement>('.overrule input')?.select()
}

function told(p: Problem | undefined, l: WorkingLine) {
  if (!p) return ''
  const o = l.overrule
  if (fieldError(p, 'value') && o) return `Wanted: a number from ${say(o.least, l.unit)} to ${say(o.most, l.unit)}.`
  return otherErrors(p) || p.detail
}

async function save(l: WorkingLine) {
  const o = l.overrule
  if (!o) return
  const value = read(text.value, l.unit)
  if (Number.isNaN(value)) {
    wrong.value = `“${text.value}” is no number. Wanted: from ${say(o.least, l.unit)} to ${say(o.most, l.unit)}.`
    return
  }
  wrong.value = told(
    await store.edit({ command: 'overrule', overrule: { subject: o.subject, field: o.field, value } }),
    l,
  )
  if (!wrong.value) {
    editing.value = ''
    panel.value?.focus()
  }
}

async function putBack(l: WorkingLine) {
  const o = l.overrule
  if (!o) return
  wrong.value = told(
    await store.edit({ command: 'put-back', overrule: { subject: o.subject, field: o.field, value: o.usual } }),
    l,
  )
  editing.value = ''
  panel.value?.focus()
}

/** A share that is lost is taken from one: ÷ (1 − 5 %). */
const lost = (l: WorkingLine) => l.op === '÷ 1 −' || l.op === '× 1 −'

function sign(op: string): string {
  if (op === '·') return ''
  if (op === '⌈ ⌉') return '= up'
  return op.replace(' 1 −', '')
}
</script>

<template>
  <aside
    ref="panel"
    class="drawer"
    tabindex="-1"
    aria-label="Working"
    @keydown.esc.stop="editing ? (editing = '') : drawer.close()"
  >
    <div class="top no-print">
      <button v-if="drawer.trail.length" type="button" class="link small" @click="drawer.back()">← Back</button>
      <span v-else class="quiet small">Working</span>
      <button type="button" class="link small" @click="drawer.close()">Close <kbd>Esc</kbd></button>
    </div>

    <template v-if="chain">
      <p class="about">{{ chain.title }}</p>
      <ol class="chain">
        <li v-for="f in chain.figures" :key="f.figure" :class="{ here: f.figure === drawer.figure }">
          <Figure :value="f.value" :unit="f.unit" :figure="f.figure" :label="f.label" />
          <span class="quiet">{{ f.label }}</span>
        </li>
      </ol>
    </template>

    <p v-if="drawer.problem" class="warn">{{ drawer.problem }}</p>
    <template v-if="drawer.working">
      <h2>{{ heading }}</h2>
      <table>
        <tbody>
          <template v-for="(l, i) in lines" :key="i">
            <tr :class="{ result: l.op === '=' || l.op === '⌈ ⌉', beside: l.op === '·' }" :data-line="l.name">
              <td class="op">{{ sign(l.op) }}</td>
              <td class="what">
                <button v-if="l.figure" type="button" class="link" @click="drawer.deeper(l.figure)">
                  {{ render(l.name) }}
                </button>
                <template v-else>{{ render(l.name) }}</template>
                <span v-if="l.note" class="note">{{ render(l.note) }}</span>
                <span v-if="l.overrule?.set" class="note mine"
                  >overruled by you; usual {{ say(l.overrule.usual, l.unit) }}</span
                >
                <span v-else-if="sourceOfValue[l.source]" class="note">{{ sourceOfValue[l.source] }}</span>
              </td>
              <td class="n value" :class="{ mine: l.overrule?.set }">
                {{ lost(l) ? '1 − ' : '' }}{{ precise(l.value, l.unit).number
                }}<span class="unit">&nbsp;{{ precise(l.value, l.unit).unit }}</span>
                <span v-if="l.overrule && editing !== key(l)" class="do">
                  <button type="button" class="link small" :aria-label="'Overrule: ' + l.name" @click="begin(l)">
                    overrule
                  </button>
                  <button
                    v-if="l.overrule.set"
                    type="button"
                    class="link small"
                    :aria-label="'Put back: ' + l.name"
                    @click="putBack(l)"
                  >
                    put back
                  </button>
                </span>
              </td>
            </tr>
            <tr v-if="l.overrule && editing === key(l)" class="overrule">
              <td></td>
              <td colspan="2">
                <form @submit.prevent="save(l)">
                  <ElInput v-model="text" class="number" inputmode="decimal" :aria-label="'Your figure for ' + l.name">
                    <template #suffix>{{ quantity(l.value, l.unit).unit }}</template>
                  </ElInput>
                  <ElButton native-type="submit" type="primary" size="small">Set</ElButton>
                  <ElButton size="small" @click="editing = ''">Leave</ElButton>
                </form>
                <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </template>

    <details v-if="cautions.length" class="cautions">
      <summary>Take care: {{ count(cautions.length, 'caution') }}</summary>
      <p v-if="putUp" class="small quiet">
        These are quantities, not a recipe. Times and pressures come from a current tested recipe.
      </p>
      <div v-for="c in cautions" :key="c.id" class="small">
        <strong>{{ c.topic }}.</strong> {{ c.text }}
      </div>
    </details>
  </aside>
</template>

<style scoped>
.drawer {
  border-left: 1px solid var(--ink-2);
  background: var(--sheet);
  padding: 0.6rem 1rem 2rem;
  overflow-y: auto;
  height: 100vh;
  position: sticky;
  top: 0;
}
.drawer:focus {
  outline: none;
}
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 0.6rem;
}
.about {
  font-family: var(--serif);
  font-weight: 600;
}
.chain {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.9rem;
  padding: 0.3rem 0 0.7rem;
  margin: 0 0 0.7rem;
  border-bottom: 1px solid var(--hair-2);
}
.chain li {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.chain .quiet {
  font-size: 0.76rem;
}
.chain li.here .quiet {
  color: var(--accent);
}
h2 {
  margin-bottom: 0.3rem;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  vertical-align: top;
  padding: 0.28rem 0;
}
.op {
  width: 2.6rem;
  font-family: var(--serif);
  color: var(--ink-2);
  white-space: nowrap;
}
.value {
  text-align: right;
  white-space: nowrap;
  padding-left: 0.5rem;
}
.value .unit {
  font-family: var(--sans);
  font-size: 0.8em;
  color: var(--ink-2);
}
.note {
  display: block;
  font-size: 0.8rem;
  color: var(--ink-2);
}
.mine {
  color: var(--accent);
}
.do {
  display: flex;
  justify-content: flex-end;
  gap: 0.6rem;
  font-family: var(--sans);
}
.result td {
  border-top: 1px solid var(--ink-2);
  font-weight: 650;
  padding-bottom: 0.7rem;
}
.result .op {
  font-weight: 400;
}
.beside td {
  color: var(--ink-2);
}
.overrule form {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.overrule .el-input {
  width: 8rem;
}
.cautions {
  margin-top: 1.2rem;
  border-top: 1px solid var(--hair-2);
  padding-top: 0.5rem;
}
.cautions summary {
  cursor: pointer;
}
.cautions div {
  margin-top: 0.5rem;
}
@media (max-width: 1000px) {
  .drawer {
    position: fixed;
    inset: auto 0 0 0;
    height: min(75vh, 40rem);
    border-left: 0;
    border-top: 2px solid var(--ink);
    z-index: 30;
  }
}
</style>
