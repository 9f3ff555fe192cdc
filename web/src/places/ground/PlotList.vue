<script setup lang="ts">
// The plots, one below the other; a further one is added by its name. Where there are several, or one
// without beds, they are compared as places to grow.
import { ElInput } from 'element-plus'
import { ref } from 'vue'
import type { Problem } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { usePlots } from '../../lib/plots'
import { wordsOf } from '../../lib/problems'
import PlotForm from './PlotForm.vue'
import SiteTable from './SiteTable.vue'

const store = useHousehold()
const { plots } = usePlots()
const name = ref('')
const problem = ref<Problem>()
async function add() {
  if (!name.value.trim()) return
  problem.value = await store.edit({
    command: 'add-further-plot',
    plot: { id: '', name: name.value.trim(), length: 12, width: 8, bearing: 0 },
  })
  if (!problem.value) name.value = ''
}
</script>

<template>
  <PlotForm v-for="p in plots" :key="p.id" :of="p" :several="plots.length > 1" />
  <form class="another" @submit.prevent="add">
    <label class="field"
      ><span>Another plot, or a site that you think of</span
      ><ElInput v-model="name" size="small" placeholder="by the road" aria-label="Name of another plot"
    /></label>
    <button type="submit" class="link" :disabled="!name.trim()">Add the plot</button>
  </form>
  <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
  <SiteTable v-if="plots.length > 1" />
</template>

<style scoped>
.another {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-3) var(--space-5);
}
.field {
  width: 16rem;
}
</style>
