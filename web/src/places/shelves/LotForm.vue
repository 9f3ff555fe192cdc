<script setup lang="ts">
// What is put on the shelf, by hand.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Form, Lot, Problem } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import NumberInput from '../../parts/NumberInput.vue'

const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const { shown } = useUnits()
const problem = ref<Problem>()

const draft = reactive({
  what: '',
  count: undefined as number | undefined,
  size: undefined as number | undefined,
  putUp: '',
  store: '',
  note: '',
})

/** Everything that can stand on a shelf: what keeps whole, and what is made. */
const things = computed(() => {
  const r = store.reference
  if (!r) return []
  const whole = r.foods
    .filter((f) => f.kinds.some((k) => k.keeps))
    .map((f) => ({
      key: `cellar:${f.name}`,
      label: `${capital(f.name)}, kept whole`,
      food: f.name,
      form: 'cellar' as Form,
      prep: undefined as string | undefined,
      pieces: f.kinds.some((k) => k.amount_kinds.includes('pieces-year')),
    }))
  const foodOf = (id: string) => r.foods.find((f) => f.kinds.some((k) => k.id === id))?.name ?? ''
  const made = r.preparations.map((p) => ({
    key: p.id,
    label: p.name,
    food: foodOf(p.crops[0] ?? ''),
    form: p.form,
    prep: p.id,
    pieces: false,
  }))
  return [...made, ...whole]
})
const thing = computed(() => things.value.find((t) => t.key === draft.what))
const prep = computed(() => store.reference?.preparations.find((p) => p.id === thing.value?.prep))
const pieces = ref(false)
const unit = computed(() => (pieces.value ? 'pieces' : prep.value ? (prep.value.unit === 'litre' ? 'L' : 'kg') : 'kg'))

watch(
  () => draft.what,
  () => {
    pieces.value = false
    draft.size = prep.value?.unit === 'litre' ? prep.value.jar_litre || 0.5 : undefined
    if (!draft.putUp) draft.putUp = store.plan?.as_of ?? ''
  },
)

async function save() {
  const t = thing.value
  problem.value = undefined
  if (!t) {
    problem.value = {
      type: '',
      title: '',
      status: 422,
      detail: '',
      fields: [{ field: 'food', value: '', allowed: 'what it is' }],
    }
    return
  }
  const lot: Lot = {
    id: '',
    food: t.food,
    form: t.form,
    preparation: t.prep ?? '',
    count: draft.count ?? 0,
    size: pieces.value ? 1 : (draft.size ?? 0),
    unit: unit.value as Lot['unit'],
    put_up: draft.putUp,
    store: draft.store,
    note: draft.note,
  }
  if (!/^\d{4}-\d{2}-\d{2}$/.test(draft.putUp)) {
    problem.value = {
      type: '',
      title: '',
      status: 422,
      detail: '',
      fields: [{ field: 'put_up', value: draft.putUp, allowed: 'a date such as 2026-09-20' }],
    }
    return
  }
  problem.value = await store.edit({ command: 'add-lot', lot })
  if (!problem.value) emit('done')
}
const at = (...f: string[]) => fieldError(problem.value, ...f)
</script>

<template>
  <form class="lot-form" aria-label="Add to shelf" @submit.prevent="save" @keydown.esc="emit('done')">
    <label class="field what">
      <span>What</span>
      <ElSelect v-model="draft.what" filterable default-first-option aria-label="Food" placeholder="type to find">
        <ElOption v-for="t in things" :key="t.key" :value="t.key" :label="t.label" />
      </ElSelect>
      <span v-if="at('food', 'form', 'preparation')" class="wrong" role="alert">{{
        at('food', 'form', 'preparation')
      }}</span>
    </label>
    <label class="field">
      <span>{{ prep?.unit === 'litre' ? 'Jars or boxes' : 'How many' }}</span>
      <NumberInput v-model="draft.count" label="How many" />
      <span v-if="at('count')" class="wrong" role="alert">{{ at('count') }}</span>
    </label>
    <div v-if="thing?.pieces" class="field">
      <span>measured in</span>
      <ChoiceButtons
        v-model="pieces"
        label="Measured in"
        :options="[
          { value: false, words: shown('kg').unit },
          { value: true, words: 'pieces' },
        ]"
      />
    </div>
    <label v-if="!pieces" class="field">
      <span>Size of one</span>
      <NumberInput v-model="draft.size" :unit="unit" suffix label="Size of one" />
      <span v-if="at('size')" class="wrong" role="alert">{{ at('size') }}</span>
    </label>
    <label class="field">
      <span>Put up or stored on</span>
      <ElInput v-model="draft.putUp" size="small" aria-label="Put up or stored on" placeholder="2026-09-20" />
      <span v-if="at('put_up')" class="wrong" role="alert">{{ at('put_up') }}</span>
    </label>
    <label v-if="store.household?.stores.length" class="field">
      <span>Where</span>
      <ElSelect v-model="draft.store" size="small" aria-label="Where" :empty-values="[null, undefined]">
        <ElOption value="" label="–" />
        <ElOption v-for="s in store.household.stores" :key="s.id" :value="s.id" :label="s.name" />
      </ElSelect>
    </label>
    <label class="field">
      <span>Note</span>
      <ElInput v-model="draft.note" size="small" aria-label="Note" maxlength="200" />
    </label>
    <div class="buttons">
      <ElButton native-type="submit" type="primary">Add</ElButton>
      <ElButton @click="emit('done')">Cancel</ElButton>
    </div>
    <p v-if="otherErrors(problem, 'food', 'form', 'preparation', 'count', 'size', 'put_up')" class="wrong" role="alert">
      {{ otherErrors(problem, 'food', 'form', 'preparation', 'count', 'size', 'put_up') }}
    </p>
  </form>
</template>

<style scoped>
.lot-form {
  margin-top: var(--space-4);
  background: var(--sheet);
  border-left: 3px solid var(--accent);
  padding: var(--space-4) var(--space-6) var(--space-5);
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr));
  gap: var(--space-4) var(--space-6);
  align-items: end;
}
.what {
  grid-column: span 2;
}
.buttons {
  grid-column: 1 / -1;
}
</style>
