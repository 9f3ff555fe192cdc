<script setup lang="ts">
// The household agrees to a plan: its figures are kept, later reckonings stay
// close to its days, and what differs from it is listed.
import { computed, ref } from 'vue'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'
import MoveList from '../../parts/MoveList.vue'

const store = useHousehold()
const { say } = useUnits()
const open = ref(false)
const agreed = computed(() => {
  const a = store.household?.agreed
  return a && a.year === store.household?.year ? a : undefined
})
const changed = computed(() => store.plan?.changed ?? [])
const agree = () => store.edit({ command: 'agree' })
const takeBack = () => store.edit({ command: 'disagree' })
</script>

<template>
  <div class="agree small no-print">
    <template v-if="agreed">
      <span
        >Agreed on <b>{{ day(agreed.on) }}</b>: {{ agreed.fed }} of {{ agreed.wanted }} weeks fed,
        {{ count(agreed.plants, 'plant') }}, {{ say(agreed.area, 'm²') }}, {{ count(agreed.jars, 'jar') }}.</span
      >
      <template v-if="changed.length">
        <button type="button" class="link" :aria-expanded="open" @click="open = !open">
          {{ count(changed.length, 'sowing') }} changed since
        </button>
        <button type="button" class="link" @click="agree">agree anew</button>
      </template>
      <span v-else class="quiet">The plan is still as agreed.</span>
      <button type="button" class="link" @click="takeBack">take the agreement back</button>
      <MoveList v-if="open && changed.length" :moves="changed" />
    </template>
    <template v-else>
      <button type="button" class="link" @click="agree">Agree to this plan</button>
      <span class="quiet"
        >Its figures are then kept, later changes stay close to its days, and what moves is listed.</span
      >
    </template>
  </div>
</template>

<style scoped>
.agree {
  margin-bottom: var(--space-4);
}
.agree .link {
  margin-right: var(--space-4);
}
</style>
