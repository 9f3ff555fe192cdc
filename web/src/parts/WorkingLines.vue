<script setup lang="ts">
// The lines of a sum. An assumption in it can be overruled on the spot and put back.
import { ElButton, ElInput } from 'element-plus'
import { nextTick, ref } from 'vue'
import type { Problem, WorkingLine } from '../lib/api'
import { useDrawer } from '../lib/drawer'
import { useHousehold } from '../lib/household'
import { fieldError, otherErrors } from '../lib/problems'
import { useUnits } from '../lib/units'
import { sourceOfValue } from '../lib/words'

defineProps<{ lines: WorkingLine[] }>()
const emit = defineEmits<{ done: [] }>()
const drawer = useDrawer()
const store = useHousehold()
const { shown, precise, say, render, entry, read } = useUnits()
const editing = ref('')
const text = ref('')
const wrong = ref('')
const table = ref<HTMLElement>()
const key = (l: WorkingLine) => (l.overrule ? `${l.overrule.subject} ${l.overrule.field}` : '')

/** Leaves the field, and not the drawer with it. */
function leave(e: KeyboardEvent) {
  if (!editing.value) return
  editing.value = ''
  e.stopPropagation()
}

async function begin(l: WorkingLine) {
  editing.value = key(l)
  text.value = entry(l.value, l.unit)
  wrong.value = ''
  await nextTick()
  table.value?.querySelector<HTMLInputElement>('.overrule input')?.select()
}

function told(p: Problem | undefined, l: WorkingLine) {
  if (!p) return ''
  const o = l.overrule
  if (fieldError(p, 'value') && o) return `Enter a number from ${say(o.least, l.unit)} to ${say(o.most, l.unit)}.`
  return otherErrors(p) || p.detail
}

async function save(l: WorkingLine) {
  const o = l.overrule
  if (!o) return
  const value = read(text.value, l.unit)
  if (Number.isNaN(value)) {
    wrong.value = `“${text.value}” is not a number. Enter one from ${say(o.least, l.unit)} to ${say(o.most, l.unit)}.`
    return
  }
  wrong.value = told(
    await store.edit({ command: 'overrule', overrule: { subject: o.subject, field: o.field, value } }),
    l,
  )
  if (!wrong.value) {
    editing.value = ''
    emit('done')
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
  emit('done')
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
  <table ref="table" @keydown.esc="leave">
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
            <span v-if="l.overrule?.set" class="note mine">your figure; usual {{ say(l.overrule.usual, l.unit) }}</span>
            <span v-else-if="sourceOfValue[l.source]" class="note">{{ sourceOfValue[l.source] }}</span>
          </td>
          <td class="n value" :class="{ mine: l.overrule?.set }">
            {{ lost(l) ? '1 − ' : '' }}{{ precise(l.value, l.unit).number
            }}<span class="unit">&nbsp;{{ precise(l.value, l.unit).unit }}</span>
            <span v-if="l.overrule && editing !== key(l)" class="do">
              <button type="button" class="link small" :aria-label="'Use my figure for ' + l.name" @click="begin(l)">
                Use my figure
              </button>
              <button
                v-if="l.overrule.set"
                type="button"
                class="link small"
                :aria-label="'Use the usual figure for ' + l.name"
                @click="putBack(l)"
              >
                Use the usual figure
              </button>
            </span>
          </td>
        </tr>
        <tr v-if="l.overrule && editing === key(l)" class="overrule">
          <td></td>
          <td colspan="2">
            <form @submit.prevent="save(l)">
              <ElInput v-model="text" class="number" inputmode="decimal" :aria-label="'Your figure for ' + l.name">
                <template #suffix>{{ shown(l.unit).unit }}</template>
              </ElInput>
              <ElButton native-type="submit" type="primary" size="small">Save</ElButton>
              <ElButton size="small" @click="editing = ''">Cancel</ElButton>
            </form>
            <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
          </td>
        </tr>
      </template>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  vertical-align: top;
  padding: var(--space-3) 0;
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
  padding-left: var(--space-4);
}
.value .unit {
  font-family: var(--sans);
  font-size: 0.8em;
  color: var(--ink-2);
}
.note {
  display: block;
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.mine {
  color: var(--accent);
}
.do {
  display: flex;
  justify-content: flex-end;
  gap: var(--space-4);
  font-family: var(--sans);
}
.result td {
  border-top: 1px solid var(--ink-2);
  font-weight: 650;
  padding-bottom: var(--space-5);
}
.result .op {
  font-weight: 400;
}
.beside td {
  color: var(--ink-2);
}
.overrule form {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.overrule .el-input {
  width: 8rem;
}
</style>
