<script setup lang="ts">
// The ground in one sentence: how much there is, and how much is lacking.
import { computed } from 'vue'
import type { Layout } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'

const props = defineProps<{ layout: Layout; beds: number }>()
const ground = useGround()
const { say } = useUnits()
/** How much ground is lacking in the week that lacks most, and in how many weeks some is. */
const lack = computed(() => {
  const weeks = props.layout.weeks.filter((w) => w.short > 0.05)
  return { most: Math.max(0, ...weeks.map((w) => w.short)), weeks: weeks.length }
})
/** How near the layout is to what could fit at most. */
const near = computed(() => {
  const l = props.layout
  if (l.most <= 0) return ''
  return `within ${Math.ceil((100 * Math.max(0, l.most - l.placed)) / l.most - 1e-9)} % of the best possible`
})
</script>

<template>
  <p class="sum" role="status">
    <b>{{ say(layout.owned, 'm²') }}</b> in {{ count(beds, 'bed') }};
    <template v-if="layout.short > 0.05"
      ><span class="warn"
        >short of up to <b>{{ say(lack.most, 'm²') }}</b> for {{ count(lack.weeks, 'week') }}</span
      >, no room for {{ count(layout.left.length, 'sowing') }}<span class="quiet small">, {{ near }}</span></template
    >
    <template v-else>everything has room</template>
    <span v-if="ground.old" class="quiet small" data-old> finding room …</span>
  </p>
</template>

<style scoped>
.sum {
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
