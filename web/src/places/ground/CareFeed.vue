<script setup lang="ts">
// What the beds are fed: the household's recipe against what the crops take.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive } from 'vue'
import type { Amendment, Needs } from '../../lib/api'
import { useCustoms, without } from '../../lib/customs'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ needs: Needs }>()
const { customs, set, refused } = useCustoms()
const { say, quantity, system } = useUnits()

const freshAmendment = (): Amendment => ({
  id: '',
  name: '',
  amount: 0,
  unit: system.value === 'us' ? 'lb' : 'kg',
  per: system.value === 'us' ? 100 : 1,
  of: system.value === 'us' ? 'sq ft' : 'm²',
  nitrogen: 0,
  manure: false,
  bulk: 0,
  turn: false,
  beds: [],
})
/** Units that measure by volume: their weight must be known too. */
const volumes = ['L', 'cup', 'qt', 'gal']
const store = useHousehold()
const beds = computed(() => store.household?.beds ?? [])
const bedNames = (a: Amendment) => beds.value.flatMap((b) => (a.beds?.includes(b.id) ? [b.name] : [])).join(', ')
const amendment = reactive(freshAmendment())
async function addAmendment() {
  if (await set({ recipe: [...customs.value.recipe, { ...amendment }] })) Object.assign(amendment, freshAmendment())
}
const much = computed(() => props.needs.fed.filter((f) => f.much))
const little = computed(() => props.needs.fed.filter((f) => f.little))
</script>

<template>
  <section aria-label="Feed">
    <h3>
      Feed
      <span v-if="much.length" class="sum warn">too much in {{ count(much.length, 'bed') }}</span>
    </h3>
    <p class="quiet small">
      What you spread on your beds, by area or by length of row. For each bed you see how much nitrogen it adds and how
      much this year’s crops use. For amounts, follow your soil test and the label.
    </p>
    <p v-for="a in customs.recipe" :key="a.id" class="small">
      <b>{{ a.name }}</b> {{ a.amount }} {{ a.unit }} per {{ a.per === 1 ? '' : a.per + ' ' }}{{ a.of }},
      {{ a.turn ? 'at each planting' : 'once a year' }}, {{ say(a.nitrogen, 'share') }} nitrogen{{
        a.manure ? ', raw manure' : ''
      }}: <b>{{ say(needs.dose.find((d) => d.name === a.name)?.kg ?? 0, 'kg') }}</b> for
      {{ bedNames(a) || 'all beds' }}
      <button
        type="button"
        class="link"
        :aria-label="`Remove ${a.name}`"
        @click="set({ recipe: without(customs.recipe, a.id) })"
      >
        Remove
      </button>
    </p>
    <form class="fields" @submit.prevent="addAmendment">
      <label class="field wide-field"
        ><span>compost, meal, manure …</span
        ><ElInput v-model="amendment.name" size="small" aria-label="What you spread" @keydown.enter.prevent
      /></label>
      <label class="field"><span>Amount</span><NumberInput v-model="amendment.amount" label="How much of it" /></label>
      <label class="field"
        ><span>unit</span
        ><ElSelect v-model="amendment.unit" size="small" aria-label="Its unit"
          ><ElOption v-for="u in ['kg', 'g', 'lb', 'oz', ...volumes]" :key="u" :value="u" :label="u" /></ElSelect
      ></label>
      <label v-if="volumes.includes(amendment.unit)" class="field"
        ><span>a litre weighs</span
        ><NumberInput v-model="amendment.bulk" unit="kg" suffix label="What a litre of it weighs"
      /></label>
      <label class="field"><span>for every</span><NumberInput v-model="amendment.per" label="Per how much" /></label>
      <label class="field"
        ><span>of</span
        ><ElSelect v-model="amendment.of" size="small" aria-label="Unit of area"
          ><ElOption
            v-for="u in ['m²', 'sq ft', 'm of row', 'ft of row', 'plant hole']"
            :key="u"
            :value="u"
            :label="u" /></ElSelect
      ></label>
      <label class="field"
        ><span>nitrogen in it</span
        ><NumberInput v-model="amendment.nitrogen" unit="share" suffix label="Nitrogen in it"
      /></label>
      <label class="field"
        ><span>when</span
        ><ElSelect v-model="amendment.turn" size="small" aria-label="When it is given"
          ><ElOption :value="false" label="once a year" /><ElOption :value="true" label="at each planting" /></ElSelect
      ></label>
      <label v-if="beds.length" class="field wide-field"
        ><span>for which beds</span
        ><ElSelect
          v-model="amendment.beds"
          size="small"
          multiple
          collapse-tags
          placeholder="all beds"
          aria-label="For which beds"
          ><ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" /></ElSelect
      ></label>
      <ElCheckbox v-model="amendment.manure" size="small">raw manure</ElCheckbox>
      <ElButton native-type="submit" size="small" :disabled="!amendment.name.trim() || !amendment.amount">Add</ElButton>
    </form>
    <ul v-if="customs.recipe.length" class="small beds">
      <li v-for="f in needs.fed" :key="f.bed" :data-fed="f.name">
        <b>{{ f.name }}</b>
        <span class="figure" :class="{ warn: f.much }"
          >{{ quantity(f.brings, 'g N/m²').number }} <span class="quiet">of</span> {{ say(f.takes, 'g N/m²') }}</span
        >
        <span v-if="f.much" class="warn">too much nitrogen: it washes away and gives leaves, not fruit</span>
        <span v-else-if="f.little" class="quiet">less than half of what the crops use</span>
      </li>
    </ul>
    <p v-if="little.length" class="quiet small">
      If this adds less, the soil may supply the rest. A soil test tells you.
    </p>
    <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
  </section>
</template>

<style scoped>
.beds {
  list-style: none;
  margin: var(--space-3) 0 0;
  padding: 0;
  columns: 19rem;
  column-gap: var(--space-7);
}
.beds li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
  justify-content: space-between;
  border-bottom: 1px solid var(--hair);
  break-inside: avoid;
}
.beds b {
  font-family: var(--serif);
  font-weight: 600;
}
.beds > li > .warn:last-child,
.beds > li > .quiet:last-child {
  flex-basis: 100%;
}
</style>
