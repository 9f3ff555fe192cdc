<script setup lang="ts">
// What the textures mean.
import { computed } from 'vue'
import { sources } from '../lib/facts'
import { useGround } from '../lib/ground'

const props = defineProps<{ bought?: boolean }>()
const ground = useGround()
/** Whether some wish lacks ground. */
const bare = computed(() => !!ground.fed?.wishes.length)
const kinds = computed(() => sources().filter((k) => props.bought || k.source !== 'bought'))
</script>

<template>
  <div class="legend">
    <span v-for="k in kinds" :key="k.source"
      ><svg viewBox="0 0 20 12" width="20" height="12" aria-hidden="true">
        <rect x="1" y="1" width="18" height="10" :class="['w', k.source, { 'w-gap-box': k.source === 'gap' }]" /></svg
      >{{ k.legend }}</span
    >
    <span v-if="bare"
      ><svg viewBox="0 0 20 12" width="20" height="12" aria-hidden="true">
        <rect x="1" y="1" width="18" height="10" class="w fresh bare" /></svg
      >no room for it</span
    >
    <span v-if="!bought">jars: full height means one jar a week</span>
    <span class="frost"><span>✱</span>frost</span>
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.legend > span {
  display: inline-flex;
  align-items: center;
  gap: var(--space-3);
}
.frost span {
  color: var(--freezer);
}
</style>
