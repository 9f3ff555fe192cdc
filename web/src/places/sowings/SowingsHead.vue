<script setup lang="ts">
// The head of Sowings: how they are shown and which; below it, the sheets and the calendar.
import { ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import WhatIs from '../../parts/WhatIs.vue'

const view = defineModel<string>('view', { required: true })
const only = defineModel<string>('only', { required: true })
const find = defineModel<string>('find', { required: true })
const store = useHousehold()
const { system } = useUnits()
const finder = ref<InstanceType<typeof ElInput>>()
const methods = [
  { value: '', words: 'all' },
  { value: 'raised', words: 'sown indoors' },
  { value: 'direct', words: 'sown in the bed' },
  { value: 'stock', words: 'planted' },
  { value: 'other', words: 'patches and trays' },
]
const basis = computed(
  () =>
    (store.household?.school === 'temperature'
      ? 'First dates follow the temperature'
      : 'First dates follow the frost') +
    ', warm soil and the heat each crop needs. You can change that in House, or for one crop in its panel. Planted are sets, tubers, cloves and young plants that are bought.',
)
const feed = computed(() => `${location.origin}/api${store.state?.calendar ?? ''}?units=${system.value}`)
defineExpose({ focus: () => finder.value?.focus() })
</script>

<template>
  <div>
    <div class="place-bar">
      <h2 tabindex="-1">Sowings</h2>
      <WhatIs of="Sowings and their dates" :words="basis" />
      <div class="tools no-print">
        <ChoiceButtons
          v-model="view"
          label="How they are shown"
          :options="[
            { value: 'list', words: 'by date' },
            { value: 'time', words: 'over the year' },
          ]"
        />
        <ChoiceButtons v-model="only" class="only" label="Which sowings" :options="methods" />
        <ElInput
          ref="finder"
          v-model="find"
          size="small"
          placeholder="find"
          aria-label="Find a sowing"
          clearable
          @keydown.esc="find = ''"
        />
      </div>
    </div>
    <p class="no-print outs small">
      <RouterLink to="/sowings/sheet/sowing">Sowing sheet</RouterLink>
      <RouterLink to="/sowings/sheet/raising">Indoor sowing sheet</RouterLink>
      <RouterLink to="/paper/shopping">Seed and shopping list</RouterLink>
      <a :href="`/api/calendar?units=${system}`" download="sowings.ics">Calendar file</a>
      <a :href="feed" title="Address for your calendar app">Calendar address</a>
    </p>
  </div>
</template>

<style scoped>
.outs {
  margin-bottom: var(--space-2);
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: center;
  margin-left: auto;
}
.tools .el-input {
  width: 8rem;
}
.only {
  font-size: var(--type-small);
}
</style>
