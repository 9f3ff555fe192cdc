<script setup lang="ts">
// What each use of a wish comes to, and what there is to put up.
import type { PlanWish } from '../../lib/api'
import { formKept } from '../../lib/facts'
import { useUnits } from '../../lib/units'
import { capital, count, day } from '../../lib/words'
import Figure from '../../parts/Figure.vue'

defineProps<{ plan: PlanWish }>()
const { say } = useUnits()
</script>

<template>
  <ul v-if="plan.uses.some((u) => u.plants || u.area)" class="uses small">
    <li v-for="u in plan.uses.filter((x) => x.plants || x.area)" :key="u.figure">
      <strong>{{ u.form ? capital(u.part ? 'also' : formKept(u.form)) : 'Stands' }}: {{ u.crop_name }}</strong
      >, {{ u.why }}.
      <template v-if="u.form && !u.part">Feeds {{ count(u.weeks, 'week') }}. </template>
      <template v-if="u.kept">
        {{ u.store ? 'Into the ' + u.store.toLowerCase() : u.form === 'cellar' ? 'Stored' : 'Put up' }} about
        {{ day(u.kept) }}, keeps {{ count(u.life ?? 0, 'week') }}.</template
      >
      <template v-if="u.left_unit && u.left">
        Of today's shelf {{ say(u.left, u.left_unit) }} will be left by then, and need not be grown.</template
      >
      <span v-if="u.short" class="warn"> {{ capital(u.short) }}.</span>
    </li>
  </ul>

  <p v-if="plan.batches > 0" class="small put-up">
    To put up:
    <template v-if="plan.to_fill">{{ count(plan.to_fill, 'jar') }} with as many lids, </template>
    <Figure :value="plan.batches" unit="batches" />,
    <Figure :value="plan.hours" unit="hours" :figure="`wish/${plan.id}/hours`" label="hours of putting up" /> hands
    on<template v-if="plan.frozen">, {{ say(plan.frozen, 'L') }} into the freezer</template>.
  </p>
</template>

<style scoped>
.uses {
  margin: var(--space-5) 0 0;
  padding: 0;
  list-style: none;
  color: var(--ink-2);
}
.uses strong {
  color: var(--ink);
  font-weight: 600;
}
.put-up {
  margin-top: var(--space-3);
}
</style>
