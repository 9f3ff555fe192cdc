<script setup lang="ts">
// The sums of the ledger: how many foods each week has, the weeks that lack some in another colour.
import { computed } from 'vue'
import { count } from '../../lib/words'

const props = defineProps<{ foods: number; table: { fed: number[]; gaps: number[] } }>()
/** The foods of each week as bars: of the weeks that lack some, or of the others. */
const bars = (lacking: boolean) =>
  props.table.fed
    .map((n, w) =>
      !!props.table.gaps[w] === lacking && n
        ? `M${w * 10 + 0.6} 26v${-(25 * n) / Math.max(1, props.foods)}h8.8V26z`
        : '',
    )
    .join('')
const lacking = computed(() => props.table.gaps.reduce((a, b) => a + b, 0))
</script>

<template>
  <div class="year-grid totals">
    <span>{{ count(foods, 'food') }} foods to eat</span>
    <svg data-weeks class="sums" viewBox="0 0 520 26" preserveAspectRatio="none" aria-hidden="true">
      <path :d="bars(false)" />
      <path class="lacks" :d="bars(true)" />
    </svg>
    <span class="r warn">{{ lacking || '' }}</span>
  </div>
</template>

<style scoped>
.totals {
  border-top: 1px solid var(--ink-2);
  align-items: end;
  font-size: var(--type-small);
  padding-top: var(--space-1);
}
.sums {
  width: 100%;
  height: 26px;
  fill: var(--ink-2);
}
.sums .lacks {
  fill: var(--gap);
}
.r {
  text-align: right;
}
</style>
