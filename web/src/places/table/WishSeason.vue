<script setup lang="ts">
// When it is eaten: all year, in some months, while it lasts.
import { ElOption, ElSelect } from 'element-plus'
import { monthNames } from '../../lib/words'
import { useDraft } from './wishdraft'

const { draft, at } = useDraft()
</script>

<template>
  <label class="field">
    <span>wanted</span>
    <ElSelect v-model="draft.seasonKind" class="much" aria-label="When">
      <ElOption value="all-year" label="all year" />
      <ElOption value="months" label="in some months" />
      <ElOption value="while" label="while it lasts (fresh only)" />
    </ElSelect>
  </label>
  <div v-if="draft.seasonKind === 'months'" class="field">
    <span>from, and to the end of</span>
    <div class="pair">
      <ElSelect v-model="draft.from" aria-label="From month"
        ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
      /></ElSelect>
      <ElSelect v-model="draft.to" aria-label="To month"
        ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
      /></ElSelect>
    </div>
    <div v-for="(s, i) in draft.also" :key="i" class="pair again">
      <ElSelect v-model="s.from" aria-label="And from month"
        ><ElOption v-for="(m, k) in monthNames" :key="m" :value="k + 1" :label="m"
      /></ElSelect>
      <ElSelect v-model="s.to" aria-label="And to month"
        ><ElOption v-for="(m, k) in monthNames" :key="m" :value="k + 1" :label="m"
      /></ElSelect>
    </div>
    <span class="small">
      <button v-if="draft.also.length < 3" type="button" class="link" @click="draft.also.push({ from: 9, to: 11 })">
        Add more months</button
      ><template v-if="draft.also.length">
        · <button type="button" class="link" @click="draft.also.pop()">Remove</button></template
      >
    </span>
    <span v-if="at('season')" class="wrong" role="alert">{{ at('season') }}</span>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4);
}
.again {
  margin-top: var(--space-3);
}
</style>
