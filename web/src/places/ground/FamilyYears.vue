<script setup lang="ts">
// Which families stood in which bed in which year: the rotation rests on it. The
// year that is planned comes from the plan.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Bed } from '../../lib/api'
import { stoodIn, useGround } from '../../lib/ground'
import { familyName } from '../../lib/words'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'

const store = useHousehold()
const ground = useGround()
const wrong = ref('')
const editing = ref('')
const year = computed(() => store.household?.year ?? 0)
const beds = computed(() => store.household?.beds ?? [])
const first = computed(() => Math.min(year.value - 3, ...beds.value.flatMap((b) => (b.stood ?? []).map((s) => s.year))))
const years = computed(() =>
  Array.from(
    { length: Math.min(12, year.value - first.value) },
    (_, i) => year.value - Math.min(12, year.value - first.value) + i,
  ),
)
const families = computed(() => [...new Set(store.crops.map((c) => c.family))].sort())
const named = (f: string) => familyName(store.crops, f)
/** A few foods of each family, for who does not know it by its name. */
const foods = (family: string) =>
  [...new Set(store.crops.filter((c) => c.family === family).map((c) => c.food))].slice(0, 3).join(', ')
const stood = (b: Bed, y: number) => stoodIn(b).find((s) => s.year === y)?.families ?? []
/** The families that stand in a bed by the layout. */
const stands = (b: Bed) =>
  [...new Set((ground.layout?.pieces ?? []).filter((p) => p.bed === b.id).map((p) => p.family))].sort()
/** A bed with what stood in it in a year. Where in the bed a family stood stays known; one that
 * is new stood in all of it. */
function having(b: Bed, y: number, to: string[]): Bed {
  const all = (b.stood ?? [])
    .map((s) => (s.year === y ? { ...s, families: s.families.filter((f) => to.includes(f)) } : s))
    .filter((s) => s.families.length)
  const fresh = to.filter((f) => !all.some((s) => s.year === y && s.families.includes(f)))
  if (fresh.length) all.push({ year: y, families: fresh })
  return { ...b, stood: all.sort((p, q) => p.year - q.year) }
}
/** Whether the year that is planned has been put down for every bed as the layout has it. */
const kept = computed(() => beds.value.every((b) => stood(b, year.value).join() === stands(b).join()))
async function keep() {
  const p = await store.edit({ command: 'change-beds', beds: beds.value.map((b) => having(b, year.value, stands(b))) })
  wrong.value = p ? wordsOf(p) : ''
}
async function set(b: Bed, y: number, to: string[]) {
  const p = await store.edit({ command: 'change-bed', bed: having(b, y, to) })
  wrong.value = p ? wordsOf(p) : ''
}
</script>

<template>
  <section aria-label="Families by bed and year">
    <h3>What grew here before</h3>
    <p class="quiet small">
      Plant families rest before they return to a bed. Press a year to enter what grew there. {{ year }} comes from the
      plan.
    </p>
    <div class="wide">
      <table class="small">
        <thead>
          <tr>
            <th>bed</th>
            <th v-for="y in years" :key="y">{{ y }}</th>
            <th>{{ year }}, as planned</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in beds" :key="b.id">
            <th>{{ b.name }}</th>
            <td v-for="y in years" :key="y">
              <ElSelect
                v-if="editing === b.id + y"
                :model-value="stood(b, y)"
                multiple
                filterable
                size="small"
                :aria-label="`Families in ${b.name} in ${y}`"
                @change="set(b, y, $event)"
                @visible-change="(open: boolean) => open || (editing = '')"
              >
                <ElOption v-for="f in families" :key="f" :value="f" :label="named(f)"
                  >{{ named(f) }} <span class="quiet">{{ foods(f) }} · {{ f }}</span></ElOption
                >
              </ElSelect>
              <button
                v-else
                type="button"
                class="plain cell"
                :aria-label="`${b.name} in ${y}: ${stood(b, y).map(named).join(', ') || 'nothing recorded'}`"
                @click="editing = b.id + y"
              >
                {{ stood(b, y).map(named).join(', ') || '–' }}
              </button>
            </td>
            <td class="planned">{{ stands(b).map(named).join(', ') || '–' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small">
      <template v-if="kept">{{ year }} is recorded as planned, for the rotation of later years.</template>
      <button v-else type="button" class="link" @click="keep">Record {{ year }} as planned</button>
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink-2);
  padding-right: var(--space-5);
}
tbody th {
  font-family: var(--serif);
  font-weight: 600;
  color: var(--ink);
  white-space: nowrap;
}
td,
th {
  border-bottom: 1px solid var(--hair);
  vertical-align: top;
  padding: var(--space-1) var(--space-5) var(--space-1) 0;
  min-width: 7rem;
}
.cell {
  width: 100%;
  border-bottom: 1px dotted var(--hair-2);
}
.planned {
  font-style: italic;
}
</style>
