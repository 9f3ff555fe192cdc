<script setup lang="ts">
// The weeks in which more is to be put up than the kitchen can do, and what would help.
import { ref } from 'vue'
import type { Plan } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { day } from '../../lib/words'
import Remedies from '../../parts/Remedies.vue'

defineProps<{ overloads: Plan['kitchen']['overloads'] }>()
const store = useHousehold()
const { say } = useUnits()
const helping = ref(-1) // the week whose ways are open: they take a second to reckon
</script>

<template>
  <section class="overs" aria-label="Weeks with too much to put up">
    <div v-for="o in overloads" :key="o.week">
      <h3>
        Week of {{ day(store.plan?.weeks[o.week]) }}:
        <span class="warn">{{ say(o.over, 'batches') }} more than the kitchen can do</span>
      </h3>
      <p class="small quiet">{{ o.parts.map((p) => `${p.title} ${say(p.batches, 'batches')}`).join(' · ') }}</p>
      <button
        type="button"
        class="link small no-print"
        :aria-expanded="helping === o.week"
        @click="helping = helping === o.week ? -1 : o.week"
      >
        {{ helping === o.week ? 'Hide what would help' : 'What would help?' }}
      </button>
      <Remedies v-if="helping === o.week" :of="{ week: o.week }" heading="What would help" />
    </div>
  </section>
</template>

<style scoped>
.overs {
  margin-top: var(--space-6);
  display: grid;
  gap: var(--space-5);
}
</style>
