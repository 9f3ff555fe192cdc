<script setup lang="ts">
// The keys that there are, and what each does.
import type { Key } from '../lib/keys'

defineProps<{ keys: Key[] }>()
</script>

<template>
  <dl>
    <template v-for="k in keys" :key="k.keys + k.does">
      <dt>
        <kbd v-for="p in k.keys.split(' ')" :key="p">{{ p }}</kbd>
      </dt>
      <dd>{{ k.does }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: var(--space-3) var(--space-6);
  margin: 0;
}
dt {
  display: flex;
  gap: var(--space-2);
}
dd {
  margin: 0;
}
</style>
