<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { ref, watch } from 'vue'
import { allKeys, type Key } from '../lib/keys'

const open = defineModel<boolean>({ required: true })
const keys = ref<Key[]>([])
watch(open, (o) => {
  if (o) keys.value = allKeys()
})
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="min(30rem, 92vw)">
    <dl>
      <template v-for="k in keys" :key="k.keys + k.does">
        <dt>
          <kbd v-for="p in k.keys.split(' ')" :key="p">{{ p }}</kbd>
        </dt>
        <dd>{{ k.does }}</dd>
      </template>
    </dl>
  </ElDialog>
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
