<script setup lang="ts">
// What the kitchen scale shows, with a button to tare the basket; what is wrong with it is told
// here. On a simulated scale something can be put.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import type { useScale } from '../../lib/scale'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ scale: ReturnType<typeof useScale> }>()
const { precise } = useUnits()
const reading = computed(() => props.scale.reading.value)
const wrong = computed(() => props.scale.wrong.value)
const shown = computed(() => precise((reading.value?.gram ?? 0) / 1000, 'kg'))
const state = computed(() => {
  if (reading.value?.overload) return 'too heavy for the scale'
  return reading.value?.stable ? 'stable' : 'settling …'
})
const put = ref<number | undefined>(2.4)
</script>

<template>
  <div class="scale no-print" data-scale>
    <template v-if="reading">
      <p class="shows" :class="{ still: reading.stable }">
        <b>{{ reading.overload ? '—' : shown.number }}</b> <span class="unit">{{ shown.unit }}</span>
      </p>
      <p class="state small" :class="{ warn: reading.overload }">{{ state }}</p>
      <ElButton class="tare" @click="scale.tare()">Tare the empty basket</ElButton>
      <span v-if="reading.simulated" class="simulated small">
        This is a simulated scale. Load it with
        <span class="put"><NumberInput v-model="put" unit="kg" suffix label="Put on the simulated scale" /></span>
        <button type="button" class="link" @click="scale.load(put ?? 0)">Put it on</button>
      </span>
    </template>
    <p v-else class="none">
      <span v-if="wrong">The scale cannot be read. {{ wrong }}</span>
      <span v-else class="quiet">Reading the scale …</span>
      <span class="quiet small"> No scale is set up. Type the weight beside each crop.</span>
    </p>
  </div>
</template>

<style scoped>
.scale {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: var(--space-3) var(--space-6);
  border: 1px solid var(--hair-2);
  background: var(--sheet);
  padding: var(--space-4) var(--space-6);
}
.scale p {
  margin: 0;
}
.shows {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  color: var(--ink-2);
}
.shows b {
  font-size: var(--type-display);
  font-weight: 600;
}
.shows.still {
  color: var(--ink);
}
.state {
  min-width: 6rem;
}
.tare {
  min-height: 48px;
}
.put {
  display: inline-block;
  width: 5.5rem;
}
</style>
