<script setup lang="ts">
// What the beds are watered this week: minutes of their drip lines, or litres where none lie.
import { computed, ref } from 'vue'
import type { BedWater } from '../../lib/api'
import { fixed } from '../../lib/numbers'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'

const props = defineProps<{ water: BedWater[] }>()
const { say } = useUnits()
const all = ref(false)
const few = 3

/** The beds that want water this week, those with seed or a crop at a critical stage first. */
const beds = computed(() =>
  props.water
    .flatMap((b) => (b.weeks[0] ? [{ name: b.name, by: b.by, ...b.weeks[0] }] : []))
    .filter((b) => b.litres >= 1 || b.seeds.length)
    .sort((a, b) => b.seeds.length - a.seeds.length || b.critical.length - a.critical.length || b.litres - a.litres),
)
const shown = computed(() => (all.value ? beds.value : beds.value.slice(0, few)))
const rain = computed(() => props.water[0]?.weeks[0]?.rain ?? 0)
const much = (b: { litres: number; minutes: number; goes: number; cans?: number; by?: string }) => {
  if (b.litres < 1) return ''
  if (b.by === 'none') return `wants ${say(b.litres, 'L')} more than the rain; there is no water there`
  if (b.cans) return `${count(b.cans, 'can')} over the week`
  const one = b.minutes ? `${fixed(b.minutes / b.goes, 0)} min of drip` : say(b.litres / b.goes, 'L')
  return b.goes > 1 ? `${b.goes} times ${one}` : one
}
</script>

<template>
  <section v-if="beds.length" class="small water" aria-label="Water this week">
    <p>
      <b>Water this week</b>
      <span class="quiet">
        counting on {{ say(rain, 'mm') }} of rain; less if more has fallen, none where the soil is damp a finger
        deep</span
      >
    </p>
    <ul>
      <li v-for="b in shown" :key="b.name">
        <b>{{ b.name }}</b> {{ much(b)
        }}<template v-if="b.seeds.length"
          >{{ much(b) ? '; ' : '' }}keep the rows of {{ b.seeds.join(', ').toLowerCase() }} damp every day</template
        ><span v-else-if="b.critical.length" class="quiet"> · {{ b.critical.join(', ').toLowerCase() }}</span>
      </li>
    </ul>
    <button v-if="beds.length > few" type="button" class="link no-print" :aria-expanded="all" @click="all = !all">
      {{ all ? 'Show fewer' : `Show all ${count(beds.length, 'bed')}` }}
    </button>
  </section>
</template>

<style scoped>
.water {
  border-bottom: 1px solid var(--hair);
  padding: var(--space-3) 0;
}
.water ul {
  list-style: none;
  margin: 0;
  padding: 0;
  columns: 22rem;
}
</style>
