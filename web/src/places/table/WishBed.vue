<script setup lang="ts">
// How it stands in the bed, and what lies over it.
import { ElOption, ElSelect } from 'element-plus'
import { coverWords } from '../../lib/words'
import DayField from '../../parts/DayField.vue'
import { useDraft } from './wishdraft'

const { draft, at } = useDraft()
</script>

<template>
  <label class="field">
    <span>It grows</span>
    <ElSelect v-model="draft.layout" class="much" aria-label="In the bed" :empty-values="[null, undefined]">
      <ElOption value="" label="in the bed as usual" />
      <ElOption value="rows" label="in rows along the bed" />
      <ElOption value="across" label="in rows across the bed" />
      <ElOption value="block" label="in a staggered grid" />
      <ElOption value="plot" label="in rows, in a plot without beds" />
    </ElSelect>
  </label>
  <label class="field">
    <span>cover</span>
    <ElSelect v-model="draft.cover" class="some" aria-label="Cover" :empty-values="[null, undefined]">
      <ElOption v-for="(words, c) in coverWords" :key="c" :value="c" :label="words" />
    </ElSelect>
    <span v-if="at('cover')" class="wrong" role="alert">{{ at('cover') }}</span>
  </label>
  <label v-if="draft.cover" class="field">
    <span>covered</span>
    <ElSelect v-model="draft.lies" class="much" aria-label="When it is covered" :empty-values="[null, undefined]">
      <ElOption value="" :label="draft.cover === 'net' ? 'all the time' : 'while it helps'" />
      <ElOption value="until picking" label="until the picking begins" />
      <ElOption value="from picking" label="from the first picking on" />
      <ElOption value="days" label="from a day to a day" />
    </ElSelect>
  </label>
  <div v-if="draft.cover && draft.lies === 'days'" class="field">
    <span>from, and to the end of</span>
    <div class="pair">
      <DayField v-model="draft.coverFrom" label="Cover from" />
      <DayField v-model="draft.coverTo" label="Cover to" />
    </div>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4);
}
</style>
