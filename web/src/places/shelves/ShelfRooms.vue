<script setup lang="ts">
// The room that what is to come will take, place by place.
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { day } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
</script>

<template>
  <template v-if="store.plan">
    <h3>Storage space</h3>
    <ul class="rooms">
      <li v-for="r in store.plan.rooms" :key="r.id">
        <span class="what">{{ r.name }}</span>
        <span class="bar-of" aria-hidden="true"
          ><i
            :class="{ full: r.holds > 0 && r.peak > r.holds }"
            :style="{ width: r.holds > 0 ? Math.min(100, (100 * r.peak) / r.holds) + '%' : '0' }"
        /></span>
        <span class="number" :class="{ warn: r.holds > 0 && r.peak > r.holds }">{{ say(r.peak, r.unit) }}</span>
        <span class="quiet small">{{
          r.holds > 0
            ? `of ${say(r.holds, r.unit)}, fullest in the week of ${day(store.plan.weeks[r.week])}`
            : 'at its fullest. Enter its size in House.'
        }}</span>
      </li>
    </ul>
  </template>
</template>

<style scoped>
h3 {
  margin: var(--space-6) 0 var(--space-1);
  font-size: var(--type-large);
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-1);
}
.what {
  font-family: var(--serif);
  line-height: 1.2;
}
.rooms {
  list-style: none;
  margin: var(--space-3) 0 0;
  padding: 0;
}
.rooms li {
  display: grid;
  grid-template-columns: minmax(8rem, 14rem) minmax(6rem, 14rem) 5rem 1fr;
  gap: var(--space-5);
  align-items: center;
  padding: var(--space-1) 0;
}
.bar-of {
  height: 10px;
  border: 1px solid var(--hair-2);
}
.bar-of i {
  display: block;
  height: 100%;
  background: var(--cellar);
}
.bar-of i.full {
  background: var(--gap);
}
.number {
  text-align: right;
}
@container leaf (max-width: 720px) {
  .rooms li {
    grid-template-columns: 1fr auto;
  }
  .bar-of {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
