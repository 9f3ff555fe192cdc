<script setup lang="ts">
// The water of each bed in the next weeks: litres, and the minutes that its drip lines run.
import { computed } from 'vue'
import type { BedWater } from '../../lib/api'
import { fixed } from '../../lib/numbers'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'

const props = defineProps<{ water: BedWater[] }>()
const { say } = useUnits()
const weeks = computed(() => props.water[0]?.weeks ?? [])
/** Why a bed must not go dry in these weeks. */
const why = (b: BedWater) => [...new Set(b.weeks.flatMap((w) => w.critical))].join(', ').toLowerCase()
</script>

<template>
  <div v-if="weeks.length" class="wide" tabindex="0" role="region" aria-label="Water by bed and week">
    <table class="small">
      <caption class="quiet">
        By bed and week: litres to give, and minutes of drip in the week. This week counts the rain that was measured;
        the others an average year’s.
      </caption>
      <thead>
        <tr>
          <th>bed</th>
          <th v-for="w in weeks" :key="w.day" class="n">{{ day(w.day) }}</th>
          <th>must not go dry</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in water" :key="b.bed" :data-water="b.name">
          <th>{{ b.name }}</th>
          <td v-for="w in b.weeks" :key="w.day" class="n">
            <template v-if="w.litres >= 1"
              >{{ say(w.litres, 'L') }}<br /><span v-if="w.minutes" class="quiet">{{ fixed(w.minutes, 0) }} min</span
              ><span v-else-if="w.cans" class="quiet">{{ count(w.cans, 'can') }}</span
              ><span v-else-if="b.by === 'none'" class="quiet">none there</span></template
            ><template v-else>–</template>
          </td>
          <td class="quiet why">{{ why(b) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
caption {
  text-align: left;
  padding: var(--space-3) 0 var(--space-2);
}
.why {
  min-width: 12rem;
}
</style>
