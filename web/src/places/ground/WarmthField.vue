<script setup lang="ts">
// By how much a piece of ground is warmer or colder than what lies around it: in degrees, or in days
// by which its last frost comes earlier or later.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'
import WhatIs from '../../parts/WhatIs.vue'

const props = defineProps<{ of: string; than: string; warmer: number | undefined; earlier: number | undefined }>()
const emit = defineEmits<{ change: [warmth: { warmer?: number; earlier?: number }] }>()
const { shown } = useUnits()

const side = ref('')
const way = ref('degrees')
const by = ref<number>()
watch(
  () => [props.warmer, props.earlier] as const,
  ([warmer, earlier]) => {
    const v = warmer || earlier
    if (!v && side.value) return // chosen, and the number is still to come
    side.value = !v ? '' : v > 0 ? 'warm' : 'cold'
    by.value = v ? Math.abs(v) : undefined
    if (v) way.value = warmer ? 'degrees' : 'days'
  },
  { immediate: true },
)
const ways = computed(() => ({
  degrees: shown('degrees').unit,
  days: side.value === 'cold' ? 'days more of spring frost' : 'days less of spring frost',
}))
function tell() {
  const v = side.value && by.value ? Math.abs(by.value) * (side.value === 'cold' ? -1 : 1) : 0
  if (side.value && !v) return
  emit('change', way.value === 'days' ? { earlier: Math.round(v) || undefined } : { warmer: v || undefined })
}
</script>

<template>
  <span class="warmth">
    <label class="field"
      ><span
        >warmth
        <WhatIs
          of="warmth"
          :words="`Ground below a sunny wall is warmer than ${than}; a hollow where cold air gathers is colder. It counts for what grows there and for what you put there: earlier or later frost, faster or slower growth.`"
      /></span>
      <ElSelect
        v-model="side"
        size="small"
        :aria-label="`Warmth of ${of}`"
        :empty-values="[null, undefined]"
        @change="tell"
      >
        <ElOption value="" :label="`like ${than}`" />
        <ElOption value="warm" :label="`warmer than ${than}`" />
        <ElOption value="cold" :label="`colder than ${than}`" />
      </ElSelect>
    </label>
    <template v-if="side">
      <label class="field few"
        ><span>by</span
        ><NumberInput
          v-model="by"
          :unit="way === 'degrees' ? 'degrees' : ''"
          blank
          :label="`By how much ${of} is ${side === 'warm' ? 'warmer' : 'colder'}`"
          @done="tell"
      /></label>
      <label class="field"
        ><span>said in</span>
        <ElSelect v-model="way" size="small" :aria-label="`How the warmth of ${of} is said`" @change="tell">
          <ElOption v-for="(label, value) in ways" :key="value" :value="value" :label="label" />
        </ElSelect>
      </label>
    </template>
  </span>
</template>

<style scoped>
.warmth {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  align-items: end;
}
.field {
  width: 11rem;
}
.few {
  width: 4rem;
}
</style>
