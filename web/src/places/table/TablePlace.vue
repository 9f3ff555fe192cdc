<script setup lang="ts">
// Table: what the family wants, and beside each wish its year and its cost.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { nextTick, ref } from 'vue'
import type { Wish } from '../../lib/api'
import { useFind } from '../../lib/find'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import GroundLine from '../../parts/GroundLine.vue'
import Legend from '../../parts/Legend.vue'
import MonthScale from '../../parts/MonthScale.vue'
import UnknownList from '../../parts/UnknownList.vue'
import AddLine from './AddLine.vue'
import OverList from './OverList.vue'
import { useRowsInOrder, type Order } from './order'
import WishEditor from './WishEditor.vue'
import WhatIs from '../../parts/WhatIs.vue'
import WishRow from './WishRow.vue'

const store = useHousehold()
const order = ref<Order>('yours')
const find = useFind()
const open = ref('') // the wish whose editor is open; "new" for one not yet added
const line = ref<InstanceType<typeof AddLine>>()
const finder = ref<InstanceType<typeof ElInput>>()

const rows = useRowsInOrder(find, order)

async function move(id: string, step: number) {
  const ids = (store.household?.wishes ?? []).map((w) => w.id)
  const at = ids.indexOf(id)
  const to = at + step
  if (at < 0 || to < 0 || to >= ids.length) return
  const others = ids.filter((x) => x !== id)
  await store.edit({ command: 'move-wish', target: id, after: others[to - 1] ?? '' })
  await nextTick()
  focusTitle(id)
}

function focusTitle(id: string) {
  document.querySelector<HTMLElement>(`[data-wish="${id}"] .title`)?.focus()
}

async function remove(id: string) {
  const ids = rows.value.map((r) => r.wish.id)
  const next = ids[ids.indexOf(id) + 1] ?? ids[ids.indexOf(id) - 1]
  const p = await store.edit({ command: 'remove-wish', target: id })
  if (p) return
  if (open.value === id) open.value = ''
  await nextTick()
  if (next) focusTitle(next)
  else line.value?.focus()
}

async function close(id: string) {
  open.value = ''
  await nextTick()
  if (id === 'new') line.value?.focus()
  else focusTitle(id)
}

const blank: Wish = {
  id: '',
  food: '',
  forms: ['fresh'],
  amount: { kind: 'meals', number: 2 },
  season: { kind: 'all-year' },
  priority: 'want',
  stagger: { kind: 'need' },
}

const first = ref<Wish>(blank) // what the controls of a new wish begin with
function byControls(wish?: Wish) {
  first.value = wish ?? blank
  open.value = 'new'
}

useKeys([
  { keys: 'n', does: 'a new wish', run: () => line.value?.focus() },
  { keys: 'f', does: 'find a wish', run: () => finder.value?.focus() },
  { keys: 'Alt ↑', does: 'on a wish: move it up (Alt ↓: down)' },
  { keys: 'Delete', does: 'on a wish: remove it' },
])
</script>

<template>
  <section class="table">
    <h2 class="hidden-words" tabindex="-1">Table</h2>
    <UnknownList />
    <OverList />
    <GroundLine />
    <AddLine ref="line" @controls="byControls" />
    <WishEditor
      v-if="open === 'new'"
      :key="JSON.stringify(first)"
      :wish="first"
      is-new
      @close="close('new')"
      @added="line?.clear()"
    />

    <div v-if="rows.length || find" class="bar">
      <Legend />
      <div class="tools no-print">
        <ElInput
          ref="finder"
          v-model="find"
          size="small"
          placeholder="find"
          aria-label="Find a food"
          clearable
          @keydown.esc="find = ''"
        />
        <ElSelect v-model="order" size="small" aria-label="Order of the wishes">
          <ElOption value="yours" label="My order" />
          <ElOption value="ground" label="Most bed space first" />
          <ElOption value="gaps" label="Most gaps first" />
        </ElSelect>
      </div>
    </div>

    <div v-if="rows.length" class="ledger">
      <div class="row-grid heads">
        <div></div>
        <MonthScale />
        <div class="head">gap<br />weeks<WhatIs of="Gap" /></div>
        <div class="head">harvest<br />needed<WhatIs of="Harvest needed" /></div>
        <div class="head">plants</div>
        <div class="head">bed<br />space<WhatIs of="Bed space" /></div>
        <div class="head">sow-<br />ings<WhatIs of="Sowing" /></div>
        <div class="head">left over,<br />average year<WhatIs of="Left over, too few" /></div>
      </div>
      <!-- Made anew only where one of these changed: an edit changes few rows. -->
      <div v-for="r in rows" :key="r.wish.id" v-memo="[r.wish, r.plan, open === r.wish.id]">
        <WishRow
          :wish="r.wish"
          :plan="r.plan"
          :open="open === r.wish.id"
          @edit="open = open === r.wish.id ? '' : r.wish.id"
          @move="(step) => move(r.wish.id, step)"
          @remove="remove(r.wish.id)"
        />
        <WishEditor
          v-if="open === r.wish.id"
          :wish="r.wish"
          :plan="r.plan"
          @close="close(r.wish.id)"
          @move="(step) => move(r.wish.id, step)"
          @remove="remove(r.wish.id)"
        />
      </div>
    </div>
    <p v-if="rows.length && rows.length < 3 && !find" class="hint quiet">
      Press a number to see how it is worked out. Press a name to change the wish.
    </p>
    <p v-if="find && !rows.length" class="empty">No wish matches “{{ find }}” in it.</p>
    <p v-if="!find && !rows.length" class="empty">
      No wishes yet. Type a food above, for example “carrots 2x week” or “35 qt tomato sauce”. Its year then shows here.
    </p>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-6);
  margin: var(--space-3) 0 var(--space-1);
}
.tools {
  display: flex;
  gap: var(--space-5);
}
.tools .el-input {
  width: 8rem;
}
.tools .el-select {
  width: 11.5rem;
}
@container leaf (max-width: 860px) {
  .bar {
    flex-wrap: wrap;
    gap: var(--space-3) var(--space-6);
  }
  .tools {
    margin-left: auto;
  }
}
.heads {
  align-items: end;
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-1);
}
.head {
  text-align: right;
  font-size: var(--type-tiny);
  line-height: 1.1;
  color: var(--ink-2);
}
.hint {
  padding: var(--space-5) 0;
}
.empty {
  padding: var(--space-7) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
