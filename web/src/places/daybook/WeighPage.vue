<script setup lang="ts">
// Weigh in: what is likely to come in today stands on top; press it and the weight on the
// scale is taken, or type what it weighs.
import { computed, ref } from 'vue'
import { answer, api, Refused, type Picking } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { clientName, freshId } from '../../lib/client'
import { useHousehold } from '../../lib/household'
import { fieldError } from '../../lib/problems'
import { useScale } from '../../lib/scale'
import { capital, count, day } from '../../lib/words'
import BagLines from './BagLines.vue'
import EntryList from './EntryList.vue'
import LogLine from '../../parts/LogLine.vue'
import ScalePanel from './ScalePanel.vue'
import WeighRow from './WeighRow.vue'
import './daybook.css'

const store = useHousehold()
const scale = useScale()
const today = computed(() => store.plan?.as_of ?? '')
const taking = ref('')
const refused = ref('')
const { data: pickings } = useAnswer(
  'pickings',
  () => true,
  (_, signal) => api.GET('/pickings', { signal }),
)
const groups = computed(() => {
  const all = pickings.value ?? []
  return [
    { title: 'Ready now', rows: all.filter((p) => p.now) },
    { title: 'Soon', rows: all.filter((p) => !p.now && p.first > today.value) },
    { title: 'Past its usual end', rows: all.filter((p) => !p.now && p.first <= today.value) },
  ].filter((g) => g.rows.length)
})
/** When a planting is picked, in words. */
const when = (p: Picking) => (p.now ? (p.last ? `until ${day(p.last)}` : '') : `about ${day(p.first)}`)

/** Enters what lies on the scale: Inventory waits until it has settled. */
async function weigh(p: Picking) {
  taking.value = p.sowing
  refused.value = ''
  try {
    await answer(() =>
      api.POST('/weigh', {
        body: {
          client: clientName(),
          id: freshId(),
          revision: store.state?.revision ?? 0,
          food: p.food,
          crop: p.crop,
          sowing: p.sowing,
        },
      }),
    )
    await store.load()
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    refused.value = fieldError(e.problem, 'scale') || e.problem.detail
  }
  taking.value = ''
}

async function typed(p: Picking, amount: { gram?: number; pieces?: number; measure?: string }) {
  const problem = await store.record({
    entries: [{ id: '', act: 'harvest', day: today.value, food: p.food, crop: p.crop, sowing: p.sowing, ...amount }],
  })
  refused.value = problem ? (problem.fields?.[0]?.allowed ?? problem.detail) : ''
}
</script>

<template>
  <section v-if="store.plan" class="weigh" aria-label="Weigh in">
    <div class="place-bar">
      <h2 tabindex="-1">Weigh in</h2>
      <RouterLink class="small" to="/daybook">Back to the Daybook</RouterLink>
    </div>
    <ScalePanel :scale="scale" />
    <p v-if="refused" class="wrong" role="alert">{{ capital(refused) }}</p>
    <p v-if="pickings && !pickings.length" class="quiet">
      Nothing recorded as growing will be ready within 3 weeks. Type what came in below.
    </p>
    <section v-for="g in groups" :key="g.title" :aria-label="g.title">
      <h3>
        {{ g.title }} <span class="aside small">{{ count(g.rows.length, 'planting') }}</span>
      </h3>
      <ul class="rows">
        <WeighRow
          v-for="p in g.rows"
          :key="p.sowing"
          :picking="p"
          :when="when(p)"
          :scale="!!scale.reading.value"
          :taking="taking === p.sowing"
          @weigh="weigh(p)"
          @typed="(a) => typed(p, a)"
        />
      </ul>
    </section>
    <h3>Anything else</h3>
    <LogLine />
    <BagLines class="daybook" />
    <EntryList :from="today" :to="today" title="Recorded today" />
  </section>
</template>

<style scoped>
.weigh {
  max-width: 46rem;
}
h3 {
  display: flex;
  justify-content: space-between;
  margin: var(--space-6) 0 0;
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-large);
}
.aside {
  font-family: var(--sans);
  font-weight: 400;
  color: var(--ink-2);
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
