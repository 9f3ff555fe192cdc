<script setup lang="ts">
// Sheets to hang up: a page a month of what is sown and planted, or of what is
// sown indoors, with room for what was really done.
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Sowing } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { usePaper } from '../../lib/paper'
import { useUnits } from '../../lib/units'
import { byMonth, day } from '../../lib/words'
import PaperChoice from '../../parts/PaperChoice.vue'
import TrayLoad from './TrayLoad.vue'

const store = useHousehold()
const route = useRoute()
const ground = useGround()
const { say, quantity } = useUnits()
const raising = computed(() => route.params.kind === 'raising')
const paper = usePaper(() => 'portrait', '12mm 12mm 12mm 16mm')

interface Entry {
  date: string
  what: string
  s: Sowing
}
const entries = computed<Entry[]>(() => {
  const out: Entry[] = []
  for (const s of store.plan?.sowings ?? []) {
    if (s.stands || s.over) continue
    if (raising.value) {
      if (s.method === 'raised') out.push({ date: s.date, what: 'sow', s })
      continue
    }
    out.push({
      date: s.date,
      what:
        s.method === 'raised'
          ? 'sow indoors'
          : s.method === 'direct'
            ? 'sow'
            : s.method === 'tray'
              ? 'sow on trays'
              : 'plant',
      s,
    })
    if (s.method === 'raised' && s.plant_out) out.push({ date: s.plant_out, what: 'plant out', s })
  }
  return out.sort((a, b) => a.date.localeCompare(b.date) || a.s.crop_name.localeCompare(b.s.crop_name))
})
const months = computed(() => byMonth(entries.value, (e) => e.date))

const much = (e: Entry) => {
  const s = e.s
  if (e.what === 'plant out' || e.what === 'plant') return `${s.set_out || s.plants} ${s.stock_unit || 'starts'}`
  if (s.cells) return `${s.cells} cells × ${s.per_place}`
  if (s.drill_m) return `${say(s.drill_m, 'm')} of row, ${say(s.seed_gram, 'g')}`
  if (s.stations) return `${s.stations} spots × ${s.per_place}`
  return say(s.seed_gram, 'g')
}
const spacing = (s: Sowing) =>
  s.in_row ? `${quantity(s.in_row, 'cm').number} × ${say(s.row_gap, 'cm')}` : say(s.area, 'm²')
/** In which bed, from where to where; the bed space where it has none yet. */
const place = (s: Sowing) => {
  const at = (ground.layout?.pieces ?? []).filter((p) => p.planting === s.id)
  if (!at.length) return say(s.area, 'm²')
  return at.map((p) => `${ground.bedName(p.bed)} ${say(p.at, 'm')} – ${say(p.at + p.length, 'm')}`).join(', ')
}
/** How deep: seed and planting stock in figures, young plants in words. */
const deep = (e: Entry) => {
  const young = e.what === 'plant out' || e.s.method === 'bought'
  return young ? (e.s.set_depth ?? '') : e.s.depth_cm ? say(e.s.depth_cm, 'cm') : ''
}
/** The date between which and the next something should be up. */
const up = (s: Sowing) => (s.up_by ? day(s.up_by) : '')
/** So many lines a row has: the bed and how young plants are set may need more than one. */
const lines = (e: Entry) =>
  raising.value ? 1 : Math.max(1, Math.ceil(place(e.s).length / 16), Math.ceil(deep(e).length / 13))
/** So many points of type that a month fits its page. */
const size = (all: Entry[]) => Math.min(8.8, 340 / all.reduce((n, e) => n + lines(e), 0)).toFixed(1)
</script>

<template>
  <section class="sheets">
    <div class="bar no-print">
      <h2 tabindex="-1">{{ raising ? 'Indoor sowing sheet' : 'Sowing sheet' }}</h2>
      <RouterLink to="/sowings">Back to Sowings</RouterLink>
      <PaperChoice v-model="paper" words="print, a page a month" />
    </div>
    <TrayLoad v-if="raising && store.plan && months.length" class="no-print" />
    <article v-for="m in months" :key="m.month" class="sheet" :style="{ '--pt': size(m.entries) }">
      <h3>
        {{ m.month }} <span>{{ raising ? 'sown indoors' : 'to sow and plant' }} · {{ store.household?.name }}</span>
      </h3>
      <table :class="{ raised: raising }">
        <thead>
          <tr v-if="raising">
            <th>sow</th>
            <th>crop</th>
            <th>cells × seeds</th>
            <th>depth</th>
            <th>up by</th>
            <th>harden off</th>
            <th>plant out</th>
            <th class="blank">sown</th>
            <th class="blank">came up</th>
          </tr>
          <tr v-else>
            <th>on</th>
            <th>what</th>
            <th>crop</th>
            <th>how much</th>
            <th>bed, from – to</th>
            <th>depth</th>
            <th>spacing</th>
            <th>up by</th>
            <th class="blank">done</th>
            <th class="blank">how much</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="e in m.entries" :key="e.what + e.s.id">
            <td class="date">{{ day(e.date) }}</td>
            <td v-if="!raising">{{ e.what }}</td>
            <td class="crop">{{ e.s.crop_name }}</td>
            <td class="n">{{ much(e) }}</td>
            <td v-if="!raising" class="place">{{ e.what === 'sow indoors' ? '' : place(e.s) }}</td>
            <td class="place">{{ deep(e) }}</td>
            <td v-if="!raising" class="n">{{ e.what === 'sow indoors' ? '' : spacing(e.s) }}</td>
            <td class="date">{{ e.what === 'plant out' ? '' : up(e.s) }}</td>
            <template v-if="raising">
              <td class="date">{{ day(e.s.harden_off) }}</td>
              <td class="date">{{ day(e.s.plant_out) }}</td>
            </template>
            <td class="blank"></td>
            <td class="blank"></td>
          </tr>
        </tbody>
      </table>
    </article>
    <p v-if="!months.length" class="quiet">
      {{ raising ? 'Nothing is sown indoors.' : 'Nothing to sow yet. Add what your family eats in Table.' }}
    </p>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: baseline;
  margin-bottom: var(--space-5);
}
.sheet {
  max-width: 54rem;
  margin-bottom: var(--space-7);
}
h3 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: var(--type-head);
  border-bottom: 2px solid var(--ink);
}
h3 span {
  font-family: var(--sans);
  font-size: var(--type-small);
  font-weight: 400;
  color: var(--ink-2);
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th:nth-child(1) {
  width: 7%;
}
th:nth-child(2) {
  width: 9%;
}
th:nth-child(3) {
  width: 15%;
}
th:nth-child(4) {
  width: 14%;
}
th:nth-child(5) {
  width: 17%;
}
th:nth-child(6) {
  width: 13%;
}
.raised th:nth-child(2) {
  width: 22%;
}
.raised th:nth-child(3) {
  width: 15%;
}
.raised th:nth-child(n + 4) {
  width: 9.3%;
}
th {
  text-align: left;
  font-weight: 400;
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
td {
  border-bottom: 1px solid var(--hair-2);
  padding: var(--space-2) var(--space-4) var(--space-2) 0;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  vertical-align: baseline;
}
.date {
  white-space: nowrap;
}
.crop {
  font-weight: 600;
}
.blank {
  border-left: 1px solid var(--hair);
  padding-left: var(--space-3);
}
@media (max-width: 720px) {
  .sheet {
    overflow-x: auto;
  }
}
@media print {
  .sheet {
    max-width: none;
    margin: 0;
    break-after: page;
    font-size: calc(var(--pt) * 1pt);
  }
  .sheet:last-of-type {
    break-after: auto;
  }
  td {
    padding-block: var(--space-1);
    line-height: 1.3;
  }
  td:not(.crop, .place) {
    white-space: nowrap;
  }
}
</style>
