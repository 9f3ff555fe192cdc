<script setup lang="ts">
// The household agrees to a plan: its figures are kept, later reckonings stay
// close to its days, and what differs from it is listed.
import { computed, ref } from 'vue'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { signed } from '../../lib/numbers'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'
import MoveList from '../../parts/MoveList.vue'

const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
const open = ref(false)
const agreed = computed(() => {
  const a = store.household?.agreed
  return a && a.year === store.household?.year ? a : undefined
})
const changed = computed(() => store.plan?.changed ?? [])
/** What the plan comes to now, where that is not what was agreed, and by how much. */
const now = computed(() => {
  const a = agreed.value
  const t = store.plan?.tally
  if (!a || !t) return []
  return [
    t.weeks_fed !== a.fed ? `${count(t.weeks_fed, 'week')} fed (${signed(t.weeks_fed - a.fed)})` : '',
    t.plants !== a.plants ? `${count(t.plants, 'plant')} (${signed(t.plants - a.plants)})` : '',
    Math.abs(t.area - a.area) > 0.05 ? say(t.area, 'm²') : '',
    t.jars !== a.jars ? `${count(t.jars, 'jar')} (${signed(t.jars - a.jars)})` : '',
  ].filter(Boolean)
})
/** How many plantings stand in another bed than was agreed. */
const beds = computed(() => new Set((ground.layout?.pieces ?? []).filter((p) => p.was).map((p) => p.planting)).size)
const agree = () => store.edit({ command: 'agree' })
const takeBack = () => store.edit({ command: 'disagree' })
</script>

<template>
  <div class="agree small no-print">
    <template v-if="agreed">
      <span
        >Kept since <b>{{ day(agreed.on) }}</b>: {{ agreed.fed }} of {{ agreed.wanted }} weeks fed,
        {{ count(agreed.plants, 'plant') }}, {{ say(agreed.area, 'm²') }}, {{ count(agreed.jars, 'jar') }}.</span
      >
      <span v-if="now.length" data-now>Now: {{ now.join(', ') }}.</span>
      <template v-if="changed.length">
        <button type="button" class="link" :aria-expanded="open" @click="open = !open">
          {{ count(changed.length, 'sowing') }} changed since
        </button>
        <button type="button" class="link" @click="agree">Keep the new plan</button>
      </template>
      <span v-else-if="!now.length" class="quiet">No changes since.</span>
      <span v-if="beds"
        >{{ count(beds, 'planting has', 'plantings have') }} another bed:
        <RouterLink to="/ground">Ground</RouterLink> shows which.</span
      >
      <button type="button" class="link" @click="takeBack">Stop keeping it</button>
      <MoveList v-if="open && changed.length" :moves="changed" />
    </template>
    <template v-else>
      <button type="button" class="link" @click="agree">Keep this plan</button>
      <span class="quiet">Later changes then keep these dates and beds where they can, and list what moves.</span>
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
