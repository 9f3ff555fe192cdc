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
    <span>Sow it</span>
    <ElSelect v-model="draft.stagger" class="much" aria-label="How often to sow">
      <ElOption value="need" :label="unweighed ? 'all at once' : 'as often as needed for no gaps'" />
      <ElOption value="every" label="every … days" />
      <ElOption value="times" label="… times a year" />
      <ElOption v-if="!unweighed" value="once" label="all at once" />
    </ElSelect>
  </label>
  <label v-if="several && ['every', 'times'].includes(draft.stagger)" class="field">
    <span>{{ draft.stagger === 'every' ? 'every' : 'days between them:' }}</span>
    <ElInput
      v-model="draft.days"
      class="number some"
      inputmode="numeric"
      aria-label="Days between"
      :placeholder="draft.stagger === 'times' ? 'spread evenly' : ''"
      ><template v-if="draft.stagger === 'every'" #suffix>days</template></ElInput
    >
    <span v-if="at('stagger.days')" class="wrong" role="alert">{{ at('stagger.days') }}</span>
  </label>
  <div v-if="fresh && draft.stagger === 'need'" class="field">
    <ElCheckbox v-model="draft.early" data-early>Also sow one early row 2 weeks sooner (it may fail)</ElCheckbox>
  </div>
  <label v-if="(!unweighed && kept) || (several && draft.stagger === 'times')" class="field">
    <span>{{ draft.stagger === 'times' ? 'in all' : 'Sown for storage and jars' }}</span>
    <ElInput
      v-model="draft.sowings"
      class="number"
      :class="draft.stagger === 'times' ? 'few' : 'much'"
      inputmode="numeric"
      :placeholder="draft.stagger === 'times' ? '' : 'as the kitchen can'"
      aria-label="Sowings for storage and jars"
      ><template v-if="draft.stagger === 'times' || draft.sowings" #suffix>times</template></ElInput
    >
    <span v-if="at('stagger.sowings')" class="wrong" role="alert">{{ at('stagger.sowings') }}</span>
  </label>
</template>
