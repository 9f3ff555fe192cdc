<script setup lang="ts">
// What the ground is given: filled and covered, fed, watered, with what that costs
// and against what the crops take.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import { answer, api, Refused, type Amendment, type Customs, type Material, type Needs } from '../../lib/api'
import { useCustoms } from '../../lib/customs'
import { useGround } from '../../lib/ground'
import { useHousehold, wordsOf } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count, day } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import WaterStrip from './WaterStrip.vue'

const store = useHousehold()
const ground = useGround()
const { customs, change } = useCustoms()
const { say, system } = useUnits()
const needs = ref<Needs>()
const wrong = ref('')
let asked = 0
watch(
  () => store.state?.revision,
  async () => {
    const mine = ++asked
    try {
      const n = await answer(() => api.GET('/ground-needs'))
      if (mine === asked) needs.value = n
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      wrong.value = wordsOf(e.problem)
    }
  },
  { immediate: true },
)
async function set(to: Partial<Customs>) {
  const p = await change(to)
  wrong.value = p ? wordsOf(p) : ''
  return !p
}

const cubicYard = 1 / (store.reference?.units.find((u) => u.unit === 'm³')?.us.factor ?? 1.308)
/** What suppliers deliver by, where the household reads. */
const freshMaterial = (): Material => ({
  id: '',
  name: '',
  over: 'beds',
  depth: system.value === 'us' ? 0.0508 : 0.05,
  bulk: system.value === 'us' ? cubicYard : 1,
  bulk_price: 0,
  bag: 40,
  bag_price: 0,
})
const material = reactive(freshMaterial())
const depth = computed({ get: () => material.depth * 100, set: (cm) => (material.depth = (cm ?? NaN) / 100) })
async function addMaterial() {
  if (await set({ materials: [...customs.value.materials, { ...material }] })) Object.assign(material, freshMaterial())
}
const freshAmendment = (): Amendment => ({
  id: '',
  name: '',
  amount: 0,
  unit: system.value === 'us' ? 'lb' : 'kg',
  per: system.value === 'us' ? 100 : 1,
  of: system.value === 'us' ? 'sq ft' : 'm²',
  nitrogen: 0,
  manure: false,
})
const amendment = reactive(freshAmendment())
async function addAmendment() {
  if (await set({ recipe: [...customs.value.recipe, { ...amendment }] })) Object.assign(amendment, freshAmendment())
}
const without = <T extends { id: string }>(list: T[], id: string) => list.filter((x) => x.id !== id)
const money = (v: number) => v.toFixed(2)
/** A volume by the unit that the supplier delivers in. */
const bulk = (unit: number, n: number) =>
  Math.abs(unit - cubicYard) < 1e-6 ? `${n} cu yd` : unit === 1 ? `${n} m³` : `${n} × ${say(unit, 'm³')}`
const cautions = computed(() =>
  (needs.value?.cautions ?? []).flatMap((id) => store.reference?.cautions.find((c) => c.id === id) ?? []),
)
const relays = computed(() =>
  (needs.value?.lines ?? [])
    .flatMap((l) => l.relays.map((r) => ({ ...r, bed: l.name })))
    .sort((a, b) => a.day.localeCompare(b.day)),
)
const much = computed(() => (needs.value?.fed ?? []).filter((f) => f.much))
const little = computed(() => (needs.value?.fed ?? []).filter((f) => f.little))
</script>

<template>
  <div v-if="needs" class="care">
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <section aria-label="Fill and cover">
      <h3>
        Fill and cover
        <span v-if="needs.cost" class="sum">{{ money(needs.cost) }} the cheaper way</span>
      </h3>
      <p class="quiet small">
        {{ say(needs.bed_area, 'm²') }} of bed<template v-if="needs.path_area"
          >, {{ say(needs.path_area, 'm²') }} of path and margin</template
        >. Prices in your own money.
      </p>
      <div class="wide">
        <table v-if="needs.orders.length" class="small">
          <thead>
            <tr>
              <th>what</th>
              <th>over, deep</th>
              <th class="n">volume</th>
              <th class="n">in bulk</th>
              <th class="n">in bags</th>
              <th>cheaper</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="o in needs.orders" :key="o.material" :data-order="o.name">
              <th>{{ o.name }}</th>
              <td>{{ o.over }}, {{ say(o.depth * 100, 'cm') }}</td>
              <td class="n">
                <b>{{ o.cubic.toFixed(2) }} m³</b> <span class="quiet">{{ o.yards.toFixed(2) }} cu yd</span>
              </td>
              <td class="n">
                {{ bulk(o.unit, o.units) }}<template v-if="o.bulk_cost">, {{ money(o.bulk_cost) }}</template>
              </td>
              <td class="n">
                {{ count(o.bags, 'bag') }} of {{ say(o.bag, 'L')
                }}<template v-if="o.bag_cost">, {{ money(o.bag_cost) }}</template>
              </td>
              <td>
                {{ o.cheaper ? `${o.cheaper}, by ${money(o.saves)}` : 'say both prices' }}
              </td>
              <td>
                <button
                  type="button"
                  class="link"
                  :aria-label="`Remove ${o.name}`"
                  @click="set({ materials: without(customs.materials, o.material) })"
                >
                  remove
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <form class="fields" @submit.prevent="addMaterial">
        <label class="field wide-field"
          ><span>soil, compost, wood chip …</span
          ><ElInput v-model="material.name" size="small" aria-label="What it is filled with" @keydown.enter.prevent
        /></label>
        <label class="field"
          ><span>over</span
          ><ElSelect v-model="material.over" size="small" aria-label="Over what"
            ><ElOption value="beds" label="the beds" /><ElOption value="paths" label="the paths" /></ElSelect
        ></label>
        <label class="field"><span>deep</span><NumberInput v-model="depth" unit="cm" suffix label="How deep" /></label>
        <label class="field"
          ><span>bulk by the</span><NumberInput v-model="material.bulk" unit="m³" suffix label="Unit of the bulk"
        /></label>
        <label class="field"
          ><span>price of one</span><NumberInput v-model="material.bulk_price" label="Price of the bulk"
        /></label>
        <label class="field"
          ><span>a bag holds</span><NumberInput v-model="material.bag" unit="L" suffix label="A bag holds"
        /></label>
        <label class="field"
          ><span>price of a bag</span><NumberInput v-model="material.bag_price" label="Price of a bag"
        /></label>
        <ElButton native-type="submit" size="small" :disabled="!material.name.trim()">add it</ElButton>
      </form>
    </section>

    <section aria-label="Feed">
      <h3>
        Feed
        <span v-if="much.length" class="sum warn">too much in {{ count(much.length, 'bed') }}</span>
      </h3>
      <p class="quiet small">
        The recipe of your beds, by area or by length of row. For each bed: the nitrogen that it brings, of what the
        crops of the year take. Doses are those of your soil test and of the label.
      </p>
      <p v-for="a in customs.recipe" :key="a.id" class="small">
        <b>{{ a.name }}</b> {{ a.amount }} {{ a.unit }} per {{ a.per === 1 ? '' : a.per + ' ' }}{{ a.of }},
        {{ (a.nitrogen * 100).toFixed(1) }} % nitrogen{{ a.manure ? ', raw manure' : '' }}:
        <b>{{ say(needs.dose.find((d) => d.name === a.name)?.kg ?? 0, 'kg') }}</b> for all beds
        <button
          type="button"
          class="link"
          :aria-label="`Remove ${a.name}`"
          @click="set({ recipe: without(customs.recipe, a.id) })"
        >
          remove
        </button>
      </p>
      <form class="fields" @submit.prevent="addAmendment">
        <label class="field wide-field"
          ><span>compost, meal, manure …</span
          ><ElInput v-model="amendment.name" size="small" aria-label="What the beds are given" @keydown.enter.prevent
        /></label>
        <label class="field"
          ><span>so much</span><NumberInput v-model="amendment.amount" label="How much of it"
        /></label>
        <label class="field"
          ><span>unit</span
          ><ElSelect v-model="amendment.unit" size="small" aria-label="Its unit"
            ><ElOption v-for="u in ['kg', 'g', 'lb', 'oz']" :key="u" :value="u" :label="u" /></ElSelect
        ></label>
        <label class="field"><span>per</span><NumberInput v-model="amendment.per" label="Per how much" /></label>
        <label class="field"
          ><span>of</span
          ><ElSelect v-model="amendment.of" size="small" aria-label="Of what"
            ><ElOption v-for="u in ['m²', 'sq ft', 'm of row', 'ft of row']" :key="u" :value="u" :label="u" /></ElSelect
        ></label>
        <label class="field"
          ><span>nitrogen in it</span
          ><NumberInput v-model="amendment.nitrogen" unit="share" suffix label="Nitrogen in it"
        /></label>
        <ElCheckbox v-model="amendment.manure" size="small">raw manure</ElCheckbox>
        <ElButton native-type="submit" size="small" :disabled="!amendment.name.trim() || !amendment.amount"
          >add it</ElButton
        >
      </form>
      <ul v-if="customs.recipe.length" class="small beds">
        <li v-for="f in needs.fed" :key="f.bed" :data-fed="f.name">
          <b>{{ f.name }}</b>
          <span class="figure" :class="{ warn: f.much }"
            >{{ f.brings.toFixed(1) }} <span class="quiet">of</span> {{ f.takes.toFixed(1) }} g/m²</span
          >
          <span v-if="f.much" class="warn">too much: it washes out, and leaves grow in place of fruit</span>
          <span v-else-if="f.little" class="quiet">less than half of what they take</span>
        </li>
      </ul>
      <p v-if="little.length" class="quiet small">
        Where the recipe brings less, the soil itself gives some; a soil test says how much.
      </p>
    </section>

    <section aria-label="Water">
      <h3>
        Water <span class="sum">{{ say(needs.litres, 'L') }} to give in the year</span>
      </h3>
      <p class="fields small">
        <label class="field"
          ><span>rain barrels hold</span
          ><NumberInput
            :model-value="customs.barrels"
            unit="L"
            suffix
            label="Rain barrels hold"
            @update:model-value="(v) => v !== undefined && !Number.isNaN(v) && set({ barrels: v })"
        /></label>
        <label class="field"
          ><span>roof that fills them</span
          ><NumberInput
            :model-value="customs.roof"
            unit="m²"
            suffix
            label="Roof that fills them"
            @update:model-value="(v) => v !== undefined && !Number.isNaN(v) && set({ roof: v })"
        /></label>
        <span class="quiet"
          >What the crops need after the rain of a middling year.
          <template v-if="customs.barrels"
            ><b>{{ say(needs.tap, 'L') }}</b> of it the barrels do not have.</template
          >
        </span>
      </p>
      <WaterStrip :weeks="needs.water" :driest="needs.driest" />
    </section>

    <section aria-label="Lines and supports">
      <h3>Lines and supports</h3>
      <p class="fields small">
        <label class="field"
          ><span>emitters apart</span
          ><NumberInput
            :model-value="customs.emitters"
            unit="m"
            suffix
            label="Emitters apart"
            @update:model-value="(v) => v && set({ emitters: v })"
        /></label>
        <label class="field"
          ><span>posts apart</span
          ><NumberInput
            :model-value="customs.posts"
            unit="m"
            suffix
            label="Posts apart"
            @update:model-value="(v) => v && set({ posts: v })"
        /></label>
        <span
          ><b>{{ say(needs.drip, 'm') }}</b> of drip line with {{ count(needs.emitters, 'emitter') }};
          <b>{{ say(needs.trellis, 'm') }}</b> of trellis on {{ count(needs.posts, 'post') }};
          {{ count(needs.stakes, 'stake') }}, {{ count(needs.cages, 'cage') }}</span
        >
      </p>
      <div class="wide">
        <table class="small">
          <thead>
            <tr>
              <th>bed</th>
              <th class="n">drip line</th>
              <th class="n">emitters</th>
              <th class="n">trellis</th>
              <th class="n">posts</th>
              <th class="n">stakes</th>
              <th>for</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in needs.lines" :key="l.bed">
              <th>{{ l.name }}</th>
              <td class="n">{{ say(l.drip, 'm') }}</td>
              <td class="n">{{ l.emitters || '–' }}</td>
              <td class="n">{{ l.trellis ? say(l.trellis, 'm') : '–' }}</td>
              <td class="n">{{ l.posts || '–' }}</td>
              <td class="n">{{ l.stakes || '–' }}</td>
              <td class="quiet">{{ l.for.join(', ').toLowerCase() }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <details v-if="relays.length" class="small">
        <summary>Lines laid anew, {{ relays.length }} times in the year</summary>
        <p v-for="r in relays" :key="r.day + r.bed + r.crop">
          {{ day(r.day) }}: {{ r.bed }}, {{ r.crop.toLowerCase() }}: {{ count(r.to, 'line') }} where
          {{ r.from === 1 ? 'one lay' : r.from + ' lay' }}
        </p>
      </details>
    </section>
    <section v-if="cautions.length" class="cautions" aria-label="Cautions">
      <details class="small">
        <summary>Before you dig, spread, build: {{ count(cautions.length, 'caution') }}</summary>
        <ul>
          <li v-for="c in cautions" :key="c.id" :class="c.level">
            <strong>{{ capital(c.topic) }}.</strong> {{ c.text }}
          </li>
        </ul>
      </details>
    </section>
    <p class="small quiet">
      {{ ground.old ? 'Being reckoned anew …' : '' }}
    </p>
  </div>
</template>

<style scoped>
section {
  margin-bottom: 1.1rem;
}
h3 {
  display: flex;
  gap: 1rem;
  align-items: baseline;
  border-bottom: 1px solid var(--ink-2);
}
.sum {
  margin-left: auto;
  font-variant-numeric: tabular-nums lining-nums;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: end;
  padding: 0.2rem 0;
}
.field {
  width: 6.6rem;
}
.wide-field {
  width: 12rem;
}
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
.beds {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  columns: 19rem;
  column-gap: 2rem;
}
.beds li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
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
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink-2);
}
tbody th {
  font-family: var(--serif);
  font-weight: 600;
  color: var(--ink);
}
td,
th {
  border-bottom: 1px solid var(--hair);
  padding: 0.12rem 1rem 0.12rem 0;
  vertical-align: baseline;
}
.n {
  text-align: right;
}
summary {
  cursor: pointer;
}
.cautions ul {
  padding-left: 1rem;
}
.cautions li.danger strong {
  color: var(--accent);
}
</style>
