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
      <strong>{{ u.form ? capital(u.part ? 'also' : formKept(u.form)) : 'Grown as' }}: {{ u.crop_name }}</strong
      >, {{ u.why }}.
      <template v-if="u.form && !u.part">Feeds {{ count(u.weeks, 'week') }}. </template>
      <template v-if="u.kept">
        {{ u.store ? 'Goes into the ' + u.store.toLowerCase() : u.form === 'cellar' ? 'Stored' : 'Put up' }} about
        {{ day(u.kept) }}, keeps {{ count(u.life ?? 0, 'week') }}.</template
      >
      <template v-if="u.left_unit && u.left">
        Of what is on the shelf, {{ say(u.left, u.left_unit) }} will still be there at the next harvest. It is not grown
        again.</template
      >
      <span v-if="u.short" class="warn"> {{ capital(u.short) }}.</span>
    </li>
  </ul>

  <p v-if="plan.batches > 0" class="small put-up">
    Kitchen work:
    <template v-if="plan.to_fill">{{ count(plan.to_fill, 'jar') }} and as many lids, </template>
    <Figure :value="plan.batches" unit="batches" />,
    <Figure :value="plan.hours" unit="hours" :figure="`wish/${plan.id}/hours`" label="hours of kitchen work" /> of
    work<template v-if="plan.frozen">, {{ say(plan.frozen, 'L') }} of freezer space</template>.
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
