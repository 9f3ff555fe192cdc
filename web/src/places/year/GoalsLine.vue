<script setup lang="ts">
// What the whole table comes to, against the household's goals; and how full the
// stores and the freezer become.
import { computed } from 'vue'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import Figure from '../../parts/Figure.vue'

const store = useHousehold()
const ground = useGround()
const { say } = useUnits()

const goals = computed(() => {
  const g = store.plan?.goals
  if (!g) return []
  return [
    {
      key: 'jars',
      goal: { ...g.jars, value: ground.fed?.jars ?? g.jars.value },
      words: 'jars',
      figure: 'tally/jars',
    },
    { key: 'green', goal: g.green, words: 'weeks with fresh greens', figure: 'goal/green' },
    { key: 'energy', goal: g.energy, words: 'of the energy', figure: 'goal/energy' },
    { key: 'protein', goal: g.protein, words: 'of the protein', figure: 'goal/protein' },
  ]
})
const bare = (unit: string) => unit === 'jars' || unit === 'weeks'
const rooms = computed(() => (store.plan?.rooms ?? []).filter((r) => r.peak > 0))
const short = (aim: number, value: number) => aim > 0 && value < aim - 1e-9
</script>

<template>
  <dl class="goals">
    <div v-for="g in goals" :key="g.key" :data-goal="g.key">
      <dd :class="{ warn: short(g.goal.aim, g.goal.value) }">
        <Figure
          :value="g.goal.value"
          :unit="g.goal.unit"
          :bare="bare(g.goal.unit)"
          :figure="g.figure"
          :label="g.words"
        /><span v-if="g.goal.aim" class="aim"> of {{ say(g.goal.aim, bare(g.goal.unit) ? '' : g.goal.unit) }}</span>
      </dd>
      <dt>
        {{ g.words }}<span v-if="g.goal.most" class="most">, most from {{ g.goal.most }}</span>
      </dt>
    </div>
    <div v-for="r in rooms" :key="r.id" :data-room="r.id">
      <dd :class="{ warn: r.holds > 0 && r.peak > r.holds }">
        <Figure :value="r.peak" :unit="r.unit" :figure="`room/${r.id}/peak`" :label="r.name" /><span
          v-if="r.holds"
          class="aim"
        >
          of {{ say(r.holds, r.unit) }}</span
        >
      </dd>
      <dt>{{ r.name }}</dt>
    </div>
  </dl>
</template>

<style scoped>
.goals {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  margin: var(--space-4) 0 var(--space-3);
}
dd {
  margin: 0;
  font-family: var(--serif);
  font-size: var(--type-large);
  font-weight: 600;
  line-height: 1.15;
}
dt {
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.aim {
  font-weight: 400;
  font-size: var(--type-small);
  color: var(--ink-2);
}
.most {
  opacity: 0.9;
}
@container leaf (max-width: 1000px) {
  .most {
    display: none;
  }
}
</style>
