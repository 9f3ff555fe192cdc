<script setup lang="ts">
// What beds and paths are filled and covered with: in bulk against bags.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive } from 'vue'
import type { Material, Needs } from '../../lib/api'
import { useCustoms, without } from '../../lib/customs'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, money } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

defineProps<{ needs: Needs }>()
const store = useHousehold()
const { customs, set, refused } = useCustoms()
const { say, system } = useUnits()

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
  on_hand: 0,
})
const material = reactive(freshMaterial())
const depth = computed({ get: () => material.depth * 100, set: (cm) => (material.depth = (cm ?? NaN) / 100) })
async function addMaterial() {
  if (await set({ materials: [...customs.value.materials, { ...material }] })) Object.assign(material, freshMaterial())
}
/** A volume by the unit that the supplier delivers in. */
const bulk = (unit: number, n: number) =>
  Math.abs(unit - cubicYard) < 1e-6
    ? `${n} cu yd`
    : unit === 1 && system.value === 'metric'
      ? `${n} m³`
      : `${n} × ${say(unit, 'm³')}`
</script>

<template>
  <section aria-label="Fill and cover">
    <h3>
      Fill and cover
      <span v-if="needs.cost" class="sum">{{ money(needs.cost) }} cheapest total</span>
    </h3>
    <p class="quiet small">
      {{ say(needs.bed_area, 'm²') }} of bed<template v-if="needs.path_area"
        >, {{ say(needs.path_area, 'm²') }} of paths and margin</template
      ><template v-if="needs.containers">; {{ say(needs.containers, 'L') }} in pots and bags</template>. Prices in your
      own money.
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
            <th><span class="hidden-words">Remove</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="o in needs.orders" :key="o.material" :data-order="o.name">
            <th>{{ o.name }}</th>
            <td>
              {{ o.over === 'containers' ? 'fills pots and bags' : `${o.over}, ${say(o.depth * 100, 'cm')}` }}
            </td>
            <td class="n">
              <b>{{ say(o.cubic, 'm³') }}</b>
              <span v-if="o.on_hand" class="quiet">of {{ say(o.wanted, 'm³') }}; the rest is on hand</span>
            </td>
            <td class="n">
              {{ bulk(o.unit, o.units) }}<template v-if="o.bulk_cost">, {{ money(o.bulk_cost) }}</template>
            </td>
            <td class="n">
              {{ count(o.bags, 'bag') }} of {{ say(o.bag, 'L')
              }}<template v-if="o.bag_cost">, {{ money(o.bag_cost) }}</template>
            </td>
            <td>
              {{ o.cheaper ? `${o.cheaper}, by ${money(o.saves)}` : 'enter both prices' }}
            </td>
            <td>
              <button
                type="button"
                class="link"
                :aria-label="`Remove ${o.name}`"
                @click="set({ materials: without(customs.materials, o.material) })"
              >
                Remove
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <form class="fields" @submit.prevent="addMaterial">
      <label class="field wide-field"
        ><span>soil, compost, wood chip …</span
        ><ElInput v-model="material.name" size="small" aria-label="Material" @keydown.enter.prevent
      /></label>
      <label class="field"
        ><span>over</span
        ><ElSelect v-model="material.over" size="small" aria-label="Over what"
          ><ElOption value="beds" label="the beds" /><ElOption value="paths" label="the paths" /><ElOption
            v-if="needs.containers"
            value="containers"
            label="the pots and bags: to fill them" /></ElSelect
      ></label>
      <label v-if="material.over !== 'containers'" class="field"
        ><span>Depth</span><NumberInput v-model="depth" unit="cm" suffix label="How deep"
      /></label>
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
      <label class="field"
        ><span>on hand, costs nothing</span
        ><NumberInput v-model="material.on_hand" unit="m³" suffix label="On hand, costs nothing"
      /></label>
      <ElButton native-type="submit" size="small" :disabled="!material.name.trim()">Add</ElButton>
    </form>
    <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
  </section>
</template>
