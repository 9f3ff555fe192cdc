<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { ref, watch } from 'vue'
import { allKeys, type Key } from '../lib/keys'
import KeyList from './KeyList.vue'

const open = defineModel<boolean>({ required: true })
const keys = ref<Key[]>([])
watch(open, (o) => {
  if (o) keys.value = allKeys()
})
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="min(30rem, 92vw)">
    <KeyList :keys="keys" />
  </ElDialog>
</template>
