<script setup lang="ts">
// How it is sown: when the table needs it, every so many days, so many times.
import { ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { useDraft } from './wishdraft'

const { draft, unweighed, putUp, kept, at } = useDraft()
const fresh = computed(() => draft.forms.includes('fresh') && !putUp.value && !unweighed.value)
/** Plants that nobody eats may be sown again; those that feed somebody are sown once. */
const several = computed(() => fresh.value || (unweighed.value && !draft.forms.length))
</script>

<template>
  <label v-if="several" class="field">
    <span>Sown</span>
    <ElSelect v-model="draft.stagger" aria-label="Sown">
      <ElOption value="need" :label="unweighed ? 'all at once' : 'as the table needs it'" />
      <ElOption value="every" label="every so many days" />
      <ElOption value="times" label="so many times" />
      <ElOption v-if="!unweighed" value="once" label="all at once" />
    </ElSelect>
  </label>
  <label v-if="several && ['every', 'times'].includes(draft.stagger)" class="field narrow">
    <span>Days between</span>
    <ElInput
      v-model="draft.days"
      class="number"
      inputmode="numeric"
      aria-label="Days between"
      :placeholder="draft.stagger === 'times' ? 'spread evenly' : ''"
    />
    <span v-if="at('stagger.days')" class="wrong" role="alert">{{ at('stagger.days') }}</span>
  </label>
  <div v-if="fresh && draft.stagger === 'need'" class="field wide">
    <span>An early row</span>
    <ElCheckbox v-model="draft.early" data-early>risk one cheap row two weeks early</ElCheckbox>
  </div>
  <label v-if="(!unweighed && kept) || (several && draft.stagger === 'times')" class="field narrow">
    <span>{{ draft.stagger === 'times' ? 'Sowings' : 'Sowings of what is kept' }}</span>
    <ElInput
      v-model="draft.sowings"
      class="number"
      inputmode="numeric"
      :placeholder="draft.stagger === 'times' ? '' : 'as the kitchen can'"
      aria-label="Sowings of what is kept"
    />
    <span v-if="at('stagger.sowings')" class="wrong" role="alert">{{ at('stagger.sowings') }}</span>
  </label>
</template>
