<script setup lang="ts">
// All that can be said of a wish, by controls, with what each use comes to.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Form, PlanWish, Problem, Wish } from '../../lib/api'
import { fieldError, otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count, day, formWords, monthNames } from '../../lib/words'

const props = defineProps<{ wish: Wish; plan?: PlanWish; isNew?: boolean }>()
const emit = defineEmits<{ close: []; move: [step: number]; remove: [] }>()
const store = useHousehold()
const { entry, read, shown, say, system } = useUnits()

type AmountKind = Wish['amount']['kind']
const unitOf: Record<AmountKind, string> = {
  meals: '',
  'weight-week': 'kg',
  'weight-year': 'kg',
  'pieces-week': '',
  'pieces-year': '',
  jars: '',
  litres: 'L',
  dried: 'kg',
  plants: '',
  area: 'm²',
}

const draft = reactive(fieldsOf(props.wish))
const problem = ref<Problem>()
const numberWrong = ref<Record<string, string>>({})

function fieldsOf(w: Wish) {
  return {
    food: w.food,
    kind: w.kind ?? '',
    amountKind: w.amount.kind as AmountKind,
    number: entry(w.amount.number, unitOf[w.amount.kind]),
    portion: w.amount.portion ? entry(w.amount.portion, 'g') : '',
    jar: w.amount.jar ?? 0,
    fresh: w.forms.includes('fresh'),
    cellar: w.forms.includes('cellar'),
    storeFirst: w.forms.indexOf('cellar') >= 0 && w.forms.indexOf('cellar') < w.forms.indexOf('fresh'),
    preparation: w.preparation ?? '',
    seasonKind: w.season.kind,
    from: w.season.from || 5,
    to: w.season.to || 10,
    priority: w.priority,
    confidence: w.confidence === undefined || w.confidence === null ? 'usual' : String(w.confidence),
    left: w.left ? entry(w.left, unitOf[w.amount.kind]) : '',
    stagger: w.stagger.kind,
    days: String(w.stagger.days || 14),
    sowings: String(w.stagger.sowings || 1),
    layout: w.layout ?? '',
    note: w.note ?? '',
  }
}

// After an edit from elsewhere, or another system of units, the fields follow.
watch([() => props.wish, system], () => Object.assign(draft, fieldsOf(props.wish)))

const foods = computed(() => store.reference?.foods ?? [])
const kinds = computed(() => foods.value.find((f) => f.name === draft.food)?.kinds ?? [])
const chosen = computed(() => (draft.kind ? kinds.value.filter((k) => k.id === draft.kind) : kinds.value))
const preparations = computed(() =>
  (store.reference?.preparations ?? []).filter((p) => chosen.value.some((k) => p.crops.includes(k.id))),
)
const keeps = computed(() => chosen.value.some((k) => k.keeps))
const putUp = computed(() => ['jars', 'litres', 'dried'].includes(draft.amountKind))
const unweighed = computed(() => ['plants', 'area'].includes(draft.amountKind))
const weekly = computed(() => ['meals', 'weight-week', 'pieces-week'].includes(draft.amountKind))
const unit = computed(() => unitOf[draft.amountKind])
const fitting = computed(() =>
  preparations.value.filter((p) =>
    draft.amountKind === 'dried'
      ? p.unit === 'kg'
      : draft.amountKind === 'jars' || draft.amountKind === 'litres'
        ? p.unit === 'litre'
        : true,
  ),
)
const usualPortion = computed(() => chosen.value.find((k) => k.portion)?.portion)

const amountKinds = computed(() => {
  const some = (f: (k: (typeof chosen.value)[number]) => boolean) => chosen.value.some(f)
  const any = !draft.food
  const kg = shown('kg').unit
  return [
    { value: 'meals', label: 'meals a week', ok: any || some((k) => k.weighed) },
    { value: 'weight-week', label: `${kg} a week`, ok: any || some((k) => k.weighed) },
    { value: 'weight-year', label: `${kg} a year`, ok: any || some((k) => k.weighed) },
    { value: 'pieces-week', label: 'pieces a week', ok: any || some((k) => k.pieces) },
    { value: 'pieces-year', label: 'pieces a year', ok: any || some((k) => k.pieces) },
    { value: 'jars', label: 'jars', ok: any || preparations.value.some((p) => p.unit === 'litre') },
    {
      value: 'litres',
      label: `${shown('L').unit} put up`,
      ok: any || preparations.value.some((p) => p.unit === 'litre'),
    },
    { value: 'dried', label: `${kg} dried`, ok: any || preparations.value.some((p) => p.unit === 'kg') },
    { value: 'plants', label: 'plants, not weighed', ok: any || some((k) => !k.dense) },
    { value: 'area', label: `${shown('m²').unit}, not weighed`, ok: any || some((k) => !k.dense) },
  ].filter((k) => k.ok)
})

const jars = computed(() => {
  const usual = preparations.value.find((p) => p.id === draft.preparation)
  return [
    { value: 0, label: usual ? `usual: ${usual.jar}` : 'the usual one' },
    { value: 0.946353, label: 'quart' },
    { value: 0.473176, label: 'pint' },
    { value: 0.236588, label: 'half-pint' },
    { value: 1, label: '1 litre' },
    { value: 0.5, label: '½ litre' },
    ...([0, 0.946353, 0.473176, 0.236588, 1, 0.5].includes(draft.jar)
      ? []
      : [{ value: draft.jar, label: say(draft.jar, 'L') }]),
  ]
})

watch(
  () => draft.food,
  (food, was) => {
    if (was === food) return
    draft.kind = ''
    draft.preparation = ''
    if (!amountKinds.value.some((k) => k.value === draft.amountKind))
      draft.amountKind = (amountKinds.value[0]?.value ?? 'meals') as AmountKind
    draft.cellar = keeps.value && draft.fresh
  },
)
watch(
  () => draft.amountKind,
  () => {
    if (putUp.value && !fitting.value.some((p) => p.id === draft.preparation))
      draft.preparation = fitting.value[0]?.id ?? ''
    // What keeps and is wished by the year is grown in one go, as a typed line is.
    if (props.isNew && draft.amountKind.endsWith('-year') && draft.cellar) draft.stagger = 'once'
  },
)

function forms(): Form[] {
  if (unweighed.value) return []
  const prep = preparations.value.find((p) => p.id === draft.preparation)
  if (putUp.value) return prep ? [prep.form] : []
  const out: Form[] = []
  if (draft.fresh) out.push('fresh')
  if (draft.cellar && keeps.value) out.push('cellar')
  if (draft.storeFirst && out.length === 2) out.reverse()
  if (prep) out.push(prep.form)
  return out
}

/** Reads a number field; a text that is none is told at the field. */
function number(name: string, text: string, of = '', blank = NaN): number {
  const v = text.trim() === '' ? blank : read(text, of)
  if (Number.isNaN(v)) numberWrong.value[name] = text.trim() === '' ? 'Wanted: a number.' : `“${text}” is no number.`
  return v
}

async function save() {
  numberWrong.value = {}
  problem.value = undefined
  const amount = {
    kind: draft.amountKind,
    number: number('amount.number', draft.number, unit.value),
    portion: draft.amountKind === 'meals' ? number('amount.portion', draft.portion, 'g', 0) : 0,
    jar: draft.amountKind === 'jars' ? draft.jar : 0,
  }
  const wish: Wish = {
    id: props.wish.id,
    food: draft.food,
    kind: draft.kind,
    forms: forms(),
    preparation: unweighed.value ? '' : draft.preparation,
    amount,
    season:
      draft.seasonKind === 'months' ? { kind: 'months', from: draft.from, to: draft.to } : { kind: draft.seasonKind },
    priority: draft.priority,
    left: weekly.value ? 0 : number('left', draft.left, unit.value, 0),
    stagger: {
      kind: draft.stagger,
      days: draft.stagger === 'every' ? number('stagger.days', draft.days) : 0,
      sowings: number('stagger.sowings', draft.sowings),
    },
    layout: draft.layout,
    note: draft.note,
  }
  if (draft.confidence !== 'usual') wish.confidence = Number(draft.confidence)
  if (Object.keys(numberWrong.value).length) return
  const p = await store.edit({ command: props.isNew ? 'add-wish' : 'change-wish', wish })
  problem.value = p
  if (!p) emit('close')
}

const told = ['food', 'kind', 'amount', 'forms', 'preparation', 'season', 'left', 'stagger', 'confidence', 'note']
const at = (...fields: string[]) => numberWrong.value[fields[0] ?? ''] || fieldError(problem.value, ...fields)
</script>

<template>
  <form
    class="editor no-print"
    :aria-label="isNew ? 'A new wish' : 'Edit ' + (plan?.title ?? '')"
    @submit.prevent="save"
    @keydown.esc="emit('close')"
  >
    <div class="grid">
      <label class="field">
        <span>Food</span>
        <ElSelect v-model="draft.food" filterable default-first-option aria-label="Food" placeholder="type to find">
          <ElOption v-for="f in foods" :key="f.name" :value="f.name" :label="f.name" />
        </ElSelect>
        <span v-if="at('food')" class="wrong" role="alert">{{ at('food') }}</span>
      </label>
      <label class="field">
        <span>Kind</span>
        <ElSelect v-model="draft.kind" aria-label="Kind" :empty-values="[null, undefined]">
          <ElOption value="" label="what suits each use" />
          <ElOption v-for="k in kinds" :key="k.id" :value="k.id" :label="k.name" />
        </ElSelect>
        <span v-if="at('kind')" class="wrong" role="alert">{{ at('kind') }}</span>
      </label>
      <label class="field narrow">
        <span>How much</span>
        <ElInput v-model="draft.number" class="number" inputmode="decimal" aria-label="How much" />
        <span v-if="at('amount.number')" class="wrong" role="alert">{{ at('amount.number') }}</span>
      </label>
      <label class="field">
        <span>of what</span>
        <ElSelect v-model="draft.amountKind" aria-label="Counted in">
          <ElOption v-for="k in amountKinds" :key="k.value" :value="k.value" :label="k.label" />
        </ElSelect>
        <span v-if="at('amount.kind')" class="wrong" role="alert">{{ at('amount.kind') }}</span>
      </label>
      <label v-if="draft.amountKind === 'meals'" class="field narrow">
        <span>A portion, {{ shown('g').unit }}</span>
        <ElInput
          v-model="draft.portion"
          class="number"
          inputmode="decimal"
          aria-label="A portion"
          :placeholder="usualPortion ? 'usual ' + entry(usualPortion, 'g') : ''"
        />
        <span v-if="at('amount.portion')" class="wrong" role="alert">{{ at('amount.portion') }}</span>
      </label>
      <label v-if="draft.amountKind === 'jars'" class="field">
        <span>Jar</span>
        <ElSelect v-model="draft.jar" aria-label="Jar">
          <ElOption v-for="j in jars" :key="j.value" :value="j.value" :label="j.label" />
        </ElSelect>
        <span v-if="at('amount.jar')" class="wrong" role="alert">{{ at('amount.jar') }}</span>
      </label>

      <div v-if="!unweighed && !putUp" class="field wide">
        <span>Eaten</span>
        <div class="forms">
          <ElCheckbox v-model="draft.fresh">fresh</ElCheckbox>
          <ElCheckbox v-if="keeps" v-model="draft.cellar">from the store</ElCheckbox>
          <ElCheckbox v-if="keeps && draft.fresh && draft.cellar" v-model="draft.storeFirst"
            >the store first</ElCheckbox
          >
          <ElSelect
            v-if="preparations.length"
            v-model="draft.preparation"
            aria-label="Then put up as"
            :empty-values="[null, undefined]"
            class="then"
          >
            <ElOption value="" label="and nothing put up" />
            <ElOption v-for="p in preparations" :key="p.id" :value="p.id" :label="'then ' + p.name" />
          </ElSelect>
        </div>
        <span v-if="at('forms', 'preparation')" class="wrong" role="alert">{{ at('forms', 'preparation') }}</span>
      </div>
      <label v-if="putUp" class="field wide">
        <span>Put up as</span>
        <ElSelect v-model="draft.preparation" aria-label="Put up as" placeholder="choose">
          <ElOption v-for="p in fitting" :key="p.id" :value="p.id" :label="p.name" />
        </ElSelect>
        <span v-if="at('preparation', 'forms')" class="wrong" role="alert">{{ at('preparation', 'forms') }}</span>
      </label>
      <label v-if="!unweighed && !putUp" class="field">
        <span>When</span>
        <ElSelect v-model="draft.seasonKind" aria-label="When">
          <ElOption value="all-year" label="all year" />
          <ElOption value="months" label="in some months" />
          <ElOption value="while" label="while it lasts, fresh" />
        </ElSelect>
      </label>
      <div v-if="!unweighed && !putUp && draft.seasonKind === 'months'" class="field">
        <span>from, to and with</span>
        <div class="pair">
          <ElSelect v-model="draft.from" aria-label="From month"
            ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
          /></ElSelect>
          <ElSelect v-model="draft.to" aria-label="To month"
            ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
          /></ElSelect>
        </div>
        <span v-if="at('season')" class="wrong" role="alert">{{ at('season') }}</span>
      </div>
      <label class="field">
        <span>Priority</span>
        <ElSelect v-model="draft.priority" aria-label="Priority">
          <ElOption value="must" label="must" />
          <ElOption value="want" label="want" />
          <ElOption value="nice" label="nice to have" />
        </ElSelect>
      </label>
      <label v-if="!unweighed" class="field">
        <span>Met</span>
        <ElSelect v-model="draft.confidence" aria-label="How surely it is met">
          <ElOption value="usual" label="as usual for its use" />
          <ElOption value="0" label="in a typical year" />
          <ElOption
            v-for="c in ['0.7', '0.8', '0.9', '0.95']"
            :key="c"
            :value="c"
            :label="`in ${Math.round(Number(c) * 100)} of 100 years`"
          />
        </ElSelect>
      </label>
      <label v-if="!weekly && !unweighed" class="field narrow">
        <span>Still left by then</span>
        <ElInput
          v-model="draft.left"
          class="number"
          inputmode="decimal"
          placeholder="0"
          aria-label="Still left by then"
        >
          <template v-if="unit" #suffix>{{ shown(unit).unit }}</template>
        </ElInput>
        <span v-if="at('left')" class="wrong" role="alert">{{ at('left') }}</span>
      </label>
      <label v-if="!unweighed && draft.fresh && !putUp" class="field">
        <span>Sown</span>
        <ElSelect v-model="draft.stagger" aria-label="Sown">
          <ElOption value="need" label="as the table needs it" />
          <ElOption value="every" label="every so many days" />
          <ElOption value="once" label="all at once" />
        </ElSelect>
      </label>
      <label v-if="!unweighed && draft.fresh && !putUp && draft.stagger === 'every'" class="field narrow">
        <span>Days between</span>
        <ElInput v-model="draft.days" class="number" inputmode="numeric" aria-label="Days between" />
        <span v-if="at('stagger.days')" class="wrong" role="alert">{{ at('stagger.days') }}</span>
      </label>
      <label v-if="!unweighed && (putUp || draft.cellar || draft.preparation)" class="field narrow">
        <span>Sowings of what is kept</span>
        <ElInput v-model="draft.sowings" class="number" inputmode="numeric" aria-label="Sowings of what is kept" />
        <span v-if="at('stagger.sowings')" class="wrong" role="alert">{{ at('stagger.sowings') }}</span>
      </label>
      <label class="field">
        <span>In the bed</span>
        <ElSelect v-model="draft.layout" aria-label="In the bed" :empty-values="[null, undefined]">
          <ElOption value="" label="as usual" />
          <ElOption value="rows" label="rows along the bed" />
          <ElOption value="across" label="rows across the bed" />
          <ElOption value="block" label="a block, evenly spaced" />
          <ElOption value="plot" label="rows in open ground" />
        </ElSelect>
      </label>
      <label class="field wide">
        <span>Note</span>
        <ElInput v-model="draft.note" aria-label="Note" maxlength="500" />
        <span v-if="at('note')" class="wrong" role="alert">{{ at('note') }}</span>
      </label>
    </div>

    <ul v-if="plan && plan.uses.some((u) => u.plants || u.area)" class="uses small">
      <li v-for="u in plan.uses.filter((x) => x.plants || x.area)" :key="u.figure">
        <strong
          >{{ u.form ? capital(u.part ? 'also' : formWords[u.form as Form]) : 'Stands' }}: {{ u.crop_name }}</strong
        >, {{ u.why }}.
        <template v-if="u.form && !u.part">Feeds {{ count(u.weeks, 'week') }}. </template>
        <template v-if="u.kept">
          {{ u.store ? 'Into the ' + u.store.toLowerCase() : u.form === 'cellar' ? 'Stored' : 'Put up' }} about
          {{ day(u.kept) }}, keeps {{ count(u.life ?? 0, 'week') }}.</template
        >
        <span v-if="u.short" class="warn"> {{ capital(u.short) }}.</span>
      </li>
    </ul>

    <p v-if="otherErrors(problem, ...told)" class="wrong" role="alert">{{ otherErrors(problem, ...told) }}</p>
    <div class="buttons">
      <ElButton native-type="submit" type="primary">{{ isNew ? 'Add the wish' : 'Save' }}</ElButton>
      <ElButton @click="emit('close')">Leave as it was</ElButton>
      <template v-if="!isNew">
        <span class="spring"></span>
        <button type="button" class="link small" @click="emit('move', -1)">Move up</button>
        <button type="button" class="link small" @click="emit('move', 1)">Move down</button>
        <button type="button" class="link small warn" @click="emit('remove')">Remove</button>
      </template>
    </div>
  </form>
</template>

<style scoped>
.editor {
  background: var(--sheet);
  border-bottom: 1px solid var(--ink-2);
  border-left: 3px solid var(--accent);
  padding: 0.7rem 1rem 0.8rem;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
  gap: 0.7rem 1.2rem;
  align-items: start;
}
.wide {
  grid-column: span 2;
}
.forms {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}
.then {
  flex: 1;
  min-width: 11rem;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}
.uses {
  margin: 0.8rem 0 0;
  padding: 0;
  list-style: none;
  color: var(--ink-2);
}
.uses strong {
  color: var(--ink);
  font-weight: 600;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  margin-top: 0.9rem;
  align-items: center;
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
.spring {
  flex: 1;
}
@container leaf (max-width: 620px) {
  .grid {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
