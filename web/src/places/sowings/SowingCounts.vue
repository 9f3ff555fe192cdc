<script setup lang="ts">
// What is sown or set out of a sowing: cells, seeds, sets, drill or spots.
import { computed } from 'vue'
import type { Sowing } from '../../lib/api'
import { useUnits } from '../../lib/units'
import Figure from '../../parts/Figure.vue'

const props = defineProps<{ sowing: Sowing }>()
const { say } = useUnits()
const s = computed(() => props.sowing)
const base = computed(() => `sowing/${props.sowing.id}`)
</script>

<template>
  <div>
    <template v-if="s.cells">
      <Figure :value="s.cells" :figure="base + '/cells'" label="cells" /> cells
      <span class="for"
        >indoors, <Figure :value="s.seeds" :figure="base + '/seeds'" label="seeds" /> seeds; plant out
        <Figure :value="s.set_out" :figure="base + '/set_out'" label="young plants to plant out"
      /></span>
    </template>
    <template v-else-if="s.method === 'tray'">
      <Figure :value="s.seed_gram" unit="g" :figure="base + '/seeds'" label="seed" /> of seed
      <span class="for">on trays</span>
    </template>
    <template v-else-if="s.set_out">
      <Figure :value="s.set_out" :figure="base + '/set_out'" :label="s.stock_unit" /> {{ s.stock_unit }}
      <span v-if="s.stock_kg" class="for"
        ><Figure :value="s.stock_kg" unit="kg" :figure="base + '/stock'" label="to plant"
      /></span>
    </template>
    <template v-else-if="s.drill_m">
      {{ say(s.drill_m, 'm') }} of row
      <span class="for"
        ><Figure :value="s.seeds" :figure="base + '/seeds'" label="seeds" /> seeds, {{ say(s.seed_gram, 'g') }};
        thin</span
      >
    </template>
    <template v-else>
      <Figure :value="s.stations" :figure="base + '/stations'" label="spots" /> spots
      <span class="for"
        ><Figure :value="s.seeds" :figure="base + '/seeds'" label="seeds" /> seeds, {{ s.per_place }} to each</span
      >
    </template>
  </div>
</template>
