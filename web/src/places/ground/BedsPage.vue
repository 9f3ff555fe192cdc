<script setup lang="ts">
// Beds and their sizes, what stood where, what the household bends, and the
// plot they lie on.
import { computed } from 'vue'
import type { Bed } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import BedRow from './BedRow.vue'
import FamilyYears from './FamilyYears.vue'
import GroundRules from './GroundRules.vue'
import OwnGreen from './OwnGreen.vue'
import PlotList from './PlotList.vue'

defineProps<{ adding?: Bed }>()
defineEmits<{ add: []; done: [] }>()
const store = useHousehold()
const beds = computed(() => store.household?.beds ?? [])
</script>

<template>
  <div class="beds-page">
    <h3 v-if="beds.length">Beds and their sizes</h3>
    <div v-if="beds.length" class="heads small quiet" aria-hidden="true">
      <span>bed</span><span>length × width</span><span>from the left, from the front</span>
    </div>
    <BedRow v-for="b in beds" :key="b.id" :bed="b" />
    <BedRow v-if="adding" :bed="adding" is-new @done="$emit('done')" />
    <p class="adds">
      <button v-if="!adding" type="button" class="link" @click="$emit('add')">Add a bed</button>
    </p>
    <template v-if="beds.length">
      <FamilyYears />
      <GroundRules />
      <OwnGreen />
      <PlotList />
    </template>
  </div>
</template>

<style scoped>
.beds-page > * {
  margin-bottom: var(--space-5);
}
.beds-page > .bed,
.beds-page > .heads {
  margin-bottom: 0;
}
.beds-page :deep(h3) {
  border-bottom: 1px solid var(--ink-2);
}
.heads {
  display: grid;
  grid-template-columns: minmax(6rem, 9rem) 10rem 26rem;
  gap: 0 var(--space-5);
  padding-top: var(--space-2);
}
@container leaf (max-width: 820px) {
  .heads {
    display: none;
  }
}
</style>
