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
    <span>In the bed</span>
    <ElSelect v-model="draft.layout" aria-label="In the bed" :empty-values="[null, undefined]">
      <ElOption value="" label="as usual" />
      <ElOption value="rows" label="Rows along the bed" />
      <ElOption value="across" label="Rows across the bed" />
      <ElOption value="block" label="Staggered grid" />
      <ElOption value="plot" label="Rows in a plot without beds" />
    </ElSelect>
  </label>
  <label class="field">
    <span>Cover</span>
    <ElSelect v-model="draft.cover" aria-label="Cover" :empty-values="[null, undefined]">
      <ElOption v-for="(words, c) in coverWords" :key="c" :value="c" :label="words" />
    </ElSelect>
    <span v-if="at('cover')" class="wrong" role="alert">{{ at('cover') }}</span>
  </label>
  <label v-if="draft.cover" class="field">
    <span>When it is covered</span>
    <ElSelect v-model="draft.lies" aria-label="When it is covered" :empty-values="[null, undefined]">
      <ElOption value="" :label="draft.cover === 'net' ? 'all the time' : 'while it helps'" />
      <ElOption value="until picking" label="until the picking begins" />
      <ElOption value="from picking" label="from the first picking on" />
      <ElOption value="days" label="from a day to a day" />
    </ElSelect>
  </label>
  <div v-if="draft.cover && draft.lies === 'days'" class="field wide">
    <span>from and to, both included</span>
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
