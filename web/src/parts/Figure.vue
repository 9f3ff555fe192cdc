<script setup lang="ts">
// A number with its unit; it opens the working it came from.
import { computed } from 'vue'
import { useDrawer } from '../lib/drawer'
import { useUnits } from '../lib/units'

const props = defineProps<{ value: number; unit?: string; figure?: string; label?: string; bare?: boolean }>()
const { quantity } = useUnits()
const drawer = useDrawer()
const q = computed(() => quantity(props.value, props.unit ?? ''))
const shownUnit = computed(() => (props.bare ? '' : q.value.unit))
</script>

<template>
  <button
    v-if="figure"
    class="plain figure opens"
    type="button"
    :data-figure="figure"
    :aria-label="`${label ?? ''} ${q.number} ${q.unit}: show how this is worked out`"
    :class="{ shown: drawer.figure === figure }"
    @click="drawer.open(figure)"
  >
    {{ q.number }}<span v-if="shownUnit" class="unit">&nbsp;{{ shownUnit }}</span>
  </button>
  <span v-else class="figure"
    >{{ q.number }}<span v-if="shownUnit" class="unit">&nbsp;{{ shownUnit }}</span></span
  >
</template>

<style scoped>
.figure {
  white-space: nowrap;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
.unit {
  font-family: var(--sans);
  font-size: 0.8em;
  color: var(--ink-2);
  font-weight: 400;
}
.opens {
  border-bottom: 1px dotted var(--hair-2);
}
.opens:hover,
.opens.shown {
  border-bottom: 1px solid var(--accent);
}
</style>
