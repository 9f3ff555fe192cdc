<script setup lang="ts">
// A new bed measured from one that is there.
import { ElOption, ElSelect } from 'element-plus'
import { reactive } from 'vue'
import { answer, api, Refused, type Bed, type Problem } from '../../lib/api'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ bed: Bed; others: Bed[] }>()
const emit = defineEmits<{ at: [x: number, y: number]; refused: [problem: Problem] }>()
const from = reactive({ of: '', side: 'right', apart: 0.9 })
async function beside() {
  if (!from.of) return
  try {
    const b = await answer(() => api.POST('/bed-beside', { body: { bed: props.bed, ...from } }))
    emit('at', b.x, b.y)
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    emit('refused', e.problem)
  }
}
</script>

<template>
  <p class="beside small">
    or place it beside
    <ElSelect v-model="from.of" size="small" placeholder="a bed" aria-label="Placed beside" @change="beside">
      <ElOption v-for="b in others" :key="b.id" :value="b.id" :label="b.name" />
    </ElSelect>
    <NumberInput v-model="from.apart" unit="m" suffix label="Apart" @done="beside" />
    <ElSelect v-model="from.side" size="small" aria-label="On which side" @change="beside">
      <ElOption value="right" label="right of it" />
      <ElOption value="left" label="left of it" />
      <ElOption value="behind" label="behind it" />
      <ElOption value="before" label="before it" />
    </ElSelect>
  </p>
</template>

<style scoped>
.beside {
  grid-column: 1 / -1;
}
.beside > * {
  width: 8rem;
}
</style>
