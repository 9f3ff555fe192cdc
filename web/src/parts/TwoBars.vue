<script setup lang="ts">
// What was to be, dashed, and what came of it, full, on one scale.
const props = defineProps<{ want: number; got: number; most: number }>()
const share = (v: number) => `${Math.min(100, (100 * v) / Math.max(props.most, 1e-9))}%`
</script>

<template>
  <span class="track" aria-hidden="true"
    ><i v-if="want > 0" class="want" :style="{ width: share(want) }" /><i class="got" :style="{ width: share(got) }"
  /></span>
</template>

<style scoped>
.track {
  position: relative;
  display: block;
  height: 0.7rem;
}
.track i {
  position: absolute;
  left: 0;
  top: 0;
  height: 100%;
}
.want {
  border: 1px dashed var(--ink-2);
}
.got {
  background: var(--fresh);
  opacity: 0.85;
}
</style>
