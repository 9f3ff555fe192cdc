<script setup lang="ts">
// The plots side by side as places to grow: land, sun, frost, water, and how the crops of the plan
// would do on each.
import { computed, ref } from 'vue'
import { api, type Site } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { sunWords } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const all = ref(false)
const few = 8
const { data } = useAnswer(
  'sites',
  () => !!store.household || undefined,
  (_, signal) => api.GET('/sites', { signal }),
)
const sites = computed(() => data.value ?? [])
const waters: Record<string, string> = { '': 'by drip lines', can: 'carried in cans', none: 'rain alone' }
const mean = (hours: number[]) => fixed(hours.reduce((a, b) => a + b, 0) / hours.length, 1)
const warmth = (s: Site) =>
  s.warmer ? `${say(Math.abs(s.warmer), 'degrees')} ${s.warmer > 0 ? 'warmer' : 'colder'}` : 'like the place'
const rows: { words: string; of: (s: Site) => string }[] = [
  { words: 'land', of: (s) => say(s.land, 'm²') },
  {
    words: 'beds',
    of: (s) =>
      s.beds
        ? `${s.planned ? 'room for ' : ''}${count(s.beds, 'bed')}, ${say(s.bed_area, 'm²')}`
        : 'too small for a bed',
  },
  {
    words: 'sun',
    of: (s) =>
      s.hours?.length ? `${sunWords[s.sun]} (${mean(s.hours)} h a day over the year)` : (sunWords[s.sun] ?? ''),
  },
  { words: 'warmth', of: warmth },
  { words: 'last frost of spring', of: (s) => (s.last_frost ? day(s.last_frost) : 'no frost') },
  { words: 'first frost of autumn', of: (s) => (s.first_frost ? day(s.first_frost) : 'no frost') },
  { words: 'days without frost', of: (s) => (s.last_frost ? String(s.frost_free) : 'all') },
  { words: 'water', of: (s) => waters[s.water ?? ''] ?? '' },
]
/** The crops of the plan, those first that differ between the plots. */
const crops = computed(() => {
  const first = sites.value[0]
  if (!first) return []
  const list = first.crops.map((c) => {
    const each = sites.value.map((s) => s.crops.find((x) => x.crop === c.crop))
    const text = (x: (typeof each)[number]) => `${x?.first ?? ''} ${x?.weeks} ${x?.why}`
    return { name: c.name, each, differs: each.some((x) => text(x) !== text(each[0])) }
  })
  return list.sort((a, b) => Number(b.differs) - Number(a.differs))
})
const shown = computed(() => (all.value ? crops.value : crops.value.slice(0, few)))
</script>

<template>
  <section v-if="sites.length > 1" aria-label="The plots compared" data-sites>
    <h3>The plots compared</h3>
    <div class="wide" tabindex="0" role="region" aria-label="The plots side by side">
      <table class="small">
        <thead>
          <tr>
            <th></th>
            <th v-for="s in sites" :key="s.plot" scope="col">{{ s.name || 'The plot' }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.words">
            <th scope="row">{{ r.words }}</th>
            <td v-for="s in sites" :key="s.plot">{{ r.of(s) }}</td>
          </tr>
        </tbody>
        <tbody>
          <tr class="head">
            <th scope="row">from the bed, in the open</th>
            <td v-for="s in sites" :key="s.plot" class="quiet">first picking, weeks fresh</td>
          </tr>
          <tr v-for="c in shown" :key="c.name" :class="{ differs: c.differs }">
            <th scope="row">{{ c.name }}</th>
            <td v-for="(x, i) in c.each" :key="i">
              <template v-if="x?.first">{{ day(x.first) }}, {{ count(x.weeks, 'week') }}</template>
              <span v-if="x?.why" class="quiet">{{ x.first ? '; ' : '' }}{{ x.why }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button v-if="crops.length > few" type="button" class="link small" :aria-expanded="all" @click="all = !all">
      {{ all ? 'Show fewer crops' : `Show all ${crops.length} crops` }}
    </button>
  </section>
</template>

<style scoped>
th {
  text-align: left;
}
thead th,
.head th {
  font-family: var(--serif);
}
.differs th {
  font-weight: 600;
}
td,
th {
  vertical-align: top;
  padding-right: var(--space-6);
}
</style>
