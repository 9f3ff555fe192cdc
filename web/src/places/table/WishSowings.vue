<script setup lang="ts">
// How it is sown: when the table needs it, every … days, … times a year.
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
    <span>How often to sow</span>
    <ElSelect v-model="draft.stagger" aria-label="How often to sow">
      <ElOption value="need" :label="unweighed ? 'all at once' : 'as often as needed for no gaps'" />
      <ElOption value="every" label="every … days" />
      <ElOption value="times" label="… times a year" />
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
    <ElCheckbox v-model="draft.early" data-early>Also sow one early row 2 weeks sooner (it may fail)</ElCheckbox>
  </div>
  <label v-if="(!unweighed && kept) || (several && draft.stagger === 'times')" class="field narrow">
    <span>{{ draft.stagger === 'times' ? 'Sowings' : 'Sowings for storage and jars' }}</span>
    <ElInput
      v-model="draft.sowings"
      class="number"
      inputmode="numeric"
      :placeholder="draft.stagger === 'times' ? '' : 'as much as the kitchen can put up'"
      aria-label="Sowings for storage and jars"
    />
    <span v-if="at('stagger.sowings')" class="wrong" role="alert">{{ at('stagger.sowings') }}</span>
  </label>
</template>
