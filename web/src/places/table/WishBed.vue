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
      <ElOption value="rows" label="rows along the bed" />
      <ElOption value="across" label="rows across the bed" />
      <ElOption value="block" label="a block, evenly spaced" />
      <ElOption value="plot" label="rows in open ground" />
    </ElSelect>
  </label>
  <label class="field">
    <span>Cover over it</span>
    <ElSelect v-model="draft.cover" aria-label="Cover" :empty-values="[null, undefined]">
      <ElOption v-for="(words, c) in coverWords" :key="c" :value="c" :label="words" />
    </ElSelect>
    <span v-if="at('cover')" class="wrong" role="alert">{{ at('cover') }}</span>
  </label>
  <label v-if="draft.cover" class="field">
    <span>The cover lies</span>
    <ElSelect v-model="draft.lies" aria-label="When the cover lies" :empty-values="[null, undefined]">
      <ElOption value="" :label="draft.cover === 'net' ? 'all the time' : 'while it helps'" />
      <ElOption value="until picking" label="until the picking begins" />
      <ElOption value="from picking" label="from the first picking on" />
      <ElOption value="days" label="from a day to a day" />
    </ElSelect>
  </label>
  <div v-if="draft.cover && draft.lies === 'days'" class="field wide">
    <span>from and to, both included</span>
    <div class="pair">
      <DayField v-model="draft.coverFrom" label="The cover lies from" />
      <DayField v-model="draft.coverTo" label="The cover lies to" />
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
