<script setup lang="ts">
// What the crops need after the rain, and what the barrels have of it.
import type { Needs } from '../../lib/api'
import { useCustoms } from '../../lib/customs'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'
import { useBedWork } from '../../lib/bedwork'
import WaterBeds from './WaterBeds.vue'
import WaterStrip from './WaterStrip.vue'

defineProps<{ needs: Needs }>()
const { customs, set, refused } = useCustoms()
const { say } = useUnits()
const store = useHousehold()
const { water } = useBedWork()
</script>

<template>
  <section aria-label="Water">
    <h3>
      Water <span class="sum">{{ say(needs.litres, 'L') }} to give in the year</span>
    </h3>
    <p class="fields small">
      <label class="field"
        ><span>rain barrels hold</span
        ><NumberInput
          :model-value="customs.barrels"
          unit="L"
          suffix
          label="Rain barrels hold"
          @update:model-value="(v) => v !== undefined && !Number.isNaN(v) && set({ barrels: v })"
      /></label>
      <label class="field"
        ><span>roof that fills them</span
        ><NumberInput
          :model-value="customs.roof"
          unit="m²"
          suffix
          label="Roof that fills them"
          @update:model-value="(v) => v !== undefined && !Number.isNaN(v) && set({ roof: v })"
      /></label>
      <label class="field"
        ><span>an emitter gives, an hour</span
        ><NumberInput
          :model-value="customs.flow || store.reference?.customs.flow"
          unit="L"
          suffix
          label="An emitter gives in an hour"
          @update:model-value="(v) => v && set({ flow: v })"
      /></label>
      <span class="quiet"
        >Water needed on top of an average year’s rain.
        <template v-if="customs.barrels"
          ><b>{{ say(needs.tap, 'L') }}</b> more than the barrels hold.</template
        >
      </span>
    </p>
    <WaterStrip :weeks="needs.water" :driest="needs.driest" />
    <WaterBeds :water="water" />
    <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
  </section>
</template>
