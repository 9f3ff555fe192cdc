<script setup lang="ts">
// Green manures of the household's own, each begun from a row of the book.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { useCustoms } from '../../lib/customs'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { customs, change } = useCustoms()
const { say } = useUnits()
const wrong = ref('')
const adding = ref(false)
const draft = ref({ from: '', name: '', seed: 0, weeks: 0, wait: 0, nitrogen: 0 })
const all = computed(() => store.reference?.green ?? [])
const mine = computed(() => customs.value.own_green ?? [])

/** The figures of the row that it is based on. */
function begin(id: string) {
  const g = all.value.find((x) => x.id === id)
  if (g) draft.value = { ...draft.value, from: id, seed: g.seed, weeks: g.weeks, wait: g.wait, nitrogen: g.nitrogen }
}
async function add() {
  const name = draft.value.name.trim()
  const id =
    'own-' +
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40)
  const p = await change({ own_green: [...mine.value, { ...draft.value, name, id }] })
  wrong.value = p ? wordsOf(p) : ''
  if (!p) {
    adding.value = false
    draft.value.name = ''
  }
}
async function drop(i: number) {
  const p = await change({ own_green: mine.value.filter((_, k) => k !== i) })
  wrong.value = p ? wordsOf(p) : ''
}
</script>

<template>
  <section aria-label="Green manures of your own">
    <h3>Green manures of your own</h3>
    <p class="quiet small">
      Press a bed on the plot to see which green manures can go into it. To add your own, start from one in the book.
    </p>
    <ul v-if="mine.length" class="small">
      <li v-for="(g, i) in mine" :key="g.id">
        <b>{{ g.name }}</b>
        <span class="quiet">
          {{ say(g.seed, 'g') }} of seed a m², {{ count(g.weeks, 'week') }} to be worth sowing,
          {{ count(g.wait, 'week') }} before the next crop</span
        >
        <button type="button" class="link" :aria-label="'Remove ' + g.name" @click="drop(i)">Remove</button>
      </li>
    </ul>
    <form v-if="adding" class="row small" @submit.prevent="add">
      <label class="field"
        ><span>based on</span
        ><ElSelect :model-value="draft.from" size="small" aria-label="Based on" placeholder="choose" @change="begin"
          ><ElOption v-for="g in all" :key="g.id" :value="g.id" :label="g.name" /></ElSelect
      ></label>
      <label class="field"
        ><span>its name</span><ElInput v-model="draft.name" size="small" maxlength="60" aria-label="Its name"
      /></label>
      <template v-if="draft.from">
        <label class="field"
          ><span>seed, g a m²</span><NumberInput v-model="draft.seed" label="Seed, g a square metre"
        /></label>
        <label class="field"
          ><span>weeks to be worth sowing</span><NumberInput v-model="draft.weeks" label="Weeks to be worth sowing"
        /></label>
        <label class="field"
          ><span>weeks before the next crop</span><NumberInput v-model="draft.wait" label="Weeks before the next crop"
        /></label>
        <label class="field"
          ><span>nitrogen, g a m²</span><NumberInput v-model="draft.nitrogen" label="Nitrogen, g a square metre"
        /></label>
      </template>
      <span class="acts">
        <ElButton size="small" type="primary" native-type="submit" :disabled="!draft.from || !draft.name.trim()"
          >Add</ElButton
        >
        <button type="button" class="link" @click="adding = false">Cancel</button>
      </span>
    </form>
    <button v-else type="button" class="link small" @click="adding = true">Add your own green manure</button>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: var(--space-2) 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--hair);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  margin: var(--space-4) 0;
}
.row .el-select,
.row .el-input {
  width: 11rem;
}
.acts {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
</style>
