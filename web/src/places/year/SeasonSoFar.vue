<script setup lang="ts">
// What was expected of every food by now, what came in, and what is still to come. Nothing is shown
// before the first entry.
import { computed, ref } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const open = ref(false)
const { data } = useAnswer(
  'seasons',
  () => !!store.plan || undefined,
  (_, signal) => api.GET('/seasons', { signal }),
)
const picked = computed(() => (data.value ?? []).filter((s) => s.picked > 0))
const behind = computed(() => picked.value.filter((s) => s.side === 'behind').length)
const kg = (n: number) => (n >= 0.05 ? say(n >= 10 ? Math.round(n) : n, 'kg') : '')
</script>

<template>
  <section v-if="picked.length" class="so-far" aria-label="The season so far">
    <button type="button" class="plain head" :aria-expanded="open" @click="open = !open">
      <b>The season so far</b>
      <span class="quiet small">
        {{ picked.length }} {{ picked.length === 1 ? 'food' : 'foods' }} picked{{
          behind ? `, ${behind} behind what was expected` : ''
        }}
        {{ open ? '▴' : '▾' }}</span
      >
    </button>
    <div v-if="open" class="scroll">
      <table class="figure-table">
        <thead>
          <tr>
            <th scope="col">Food</th>
            <th scope="col" class="n">expected by now</th>
            <th scope="col" class="n">came in</th>
            <th scope="col" class="n">still to come</th>
            <th scope="col">in 8 years of 10</th>
            <th scope="col">compared with the plan</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in picked" :key="s.food" :data-season="s.food">
            <th scope="row">
              <RouterLink :to="`/daybook/crop/${encodeURIComponent(s.food)}`">{{ capital(s.food) }}</RouterLink>
            </th>
            <td class="n">{{ kg(s.by_now) }}</td>
            <td class="n">
              <b>{{ kg(s.picked) }}</b>
            </td>
            <td class="n">{{ kg(s.likely) }}</td>
            <td class="small quiet">{{ s.likely > 0.05 ? `${kg(s.low)} to ${kg(s.high)}` : '' }}</td>
            <td class="small">{{ s.short }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.so-far {
  margin-top: var(--space-4);
}
.head {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  align-items: baseline;
  padding: var(--space-1) 0;
  text-align: left;
}
.scroll {
  overflow-x: auto;
}
</style>
