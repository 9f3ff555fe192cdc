<script setup lang="ts">
// Above the foods: what comes in, what the kitchen puts up and what the garden asks, week by week.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import LoadStrip from './LoadStrip.vue'

const props = defineProps<{ ahead?: boolean }>()
const store = useHousehold()
const kitchen = computed(() => store.plan?.kitchen)
const garden = computed(() => store.plan?.work)
/** In the year that comes, as what came in foretells it. */
const foretold = computed(() => (props.ahead ? kitchen.value?.ahead : undefined))
const most = (v: number[]) => Math.max(0, ...v)
</script>

<template>
  <LoadStrip
    v-if="kitchen"
    label="Harvest"
    :values="kitchen.harvest_kg"
    unit="kg"
    :peak="most(kitchen.harvest_kg)"
    figure="kitchen/harvest"
  />
  <LoadStrip
    v-if="kitchen"
    :label="foretold ? 'Kitchen: to put up, from what came in' : 'To put up'"
    :values="foretold ?? kitchen.batches"
    :over="foretold ? undefined : kitchen.over"
    unit="batches"
    :peak="Math.max(most(kitchen.batches), kitchen.capacity)"
    :can="kitchen.capacity"
    figure="kitchen/capacity"
  />
  <LoadStrip
    v-if="garden"
    label="Garden work"
    :values="garden.hours"
    :over="garden.can ? garden.hours.map((h) => Math.max(0, h - garden!.can)) : undefined"
    unit="hours"
    :peak="Math.max(most(garden.hours), garden.can)"
    :can="garden.can || undefined"
    who="the household"
    figure="work/total"
  />
</template>
