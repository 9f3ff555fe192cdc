<script setup lang="ts">
// Month heads above the ribbons, with a mark at the two frosts.
import { computed } from 'vue'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { monthShort } from '../lib/words'

defineProps<{ warm?: boolean }>()
const store = useHousehold()
const { say } = useUnits()
// Taken one by one: they outlast an edit, which the plan as a whole does not.
const weeks = computed(() => store.plan?.weeks)
const first = computed(() => store.plan?.first_frost ?? -1)
const last = computed(() => store.plan?.last_frost ?? -1)
const heads = computed(() => {
  const out: { at: number; name: string }[] = []
  weeks.value?.forEach((iso, i, all) => {
    const name = monthShort(iso)
    if (i > 0 && monthShort(all[i - 1] ?? '') !== name) out.push({ at: (i / 52) * 100, name })
  })
  return out
})
const frosts = computed(() => {
  if (first.value < 0) return []
  return [
    { at: (last.value / 52) * 100, words: 'last frost' },
    { at: ((first.value + 0.5) / 52) * 100, words: 'first frost' },
  ]
})
</script>

<template>
  <div class="scale" aria-hidden="true">
    <span v-for="h in heads" :key="h.at" class="month" :style="{ left: h.at + '%' }"
      >{{ h.name.charAt(0) }}<span class="more">{{ h.name.slice(1) }}</span></span
    >
    <span v-for="f in frosts" :key="f.words" class="frost" :style="{ left: f.at + '%' }" :title="f.words">✱</span>
    <span
      v-if="warm && store.plan"
      class="heat"
      :style="{ left: ((store.plan.warmest + 0.5) / 52) * 100 + '%' }"
      title="the warmest week, and its average daily high"
      >{{ say(store.plan.warmest_c, '°C') }}</span
    >
  </div>
</template>

<style scoped>
.scale {
  position: relative;
  height: 1.9rem;
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.month {
  position: absolute;
  bottom: 0;
  border-left: 1px solid var(--hair-2);
  padding-left: var(--space-1);
  line-height: 1.1;
}
.scale {
  container: scale / inline-size;
}
@container scale (max-width: 330px) {
  .more {
    display: none;
  }
}
.heat {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  color: var(--accent);
}
.frost {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  color: var(--freezer);
  font-size: var(--type-small);
}
</style>
