<script setup lang="ts">
// What stands in a bed now: a crop of the book or anything else, its stretch, and
// when it is expected to be cleared.
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { computed, reactive } from 'vue'
import type { Bed, StandingCrop } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import NumberInput from '../../parts/NumberInput.vue'
import DateField from '../../parts/DateField.vue'

const props = defineProps<{ bed: Bed }>()
const emit = defineEmits<{ add: [s: StandingCrop]; leave: [] }>()
const store = useHousehold()
const draft = reactive({ name: '', at: 0, length: props.bed.length, until: store.plan?.as_of ?? '' })
const crops = computed(() => store.crops)
function add() {
  const c = crops.value.find((x) => x.name.toLowerCase() === draft.name.trim().toLowerCase())
  emit('add', { ...draft, name: draft.name.trim(), family: c?.family })
}
</script>

<template>
  <form class="standing" @submit.prevent="add">
    <label class="field"
      ><span>what</span>
      <ElSelect
        v-model="draft.name"
        size="small"
        filterable
        allow-create
        default-first-option
        placeholder="leek"
        aria-label="Growing here"
      >
        <ElOption v-for="c in crops" :key="c.id" :value="c.name" :label="c.name" />
      </ElSelect>
    </label>
    <label class="field"
      ><span>from</span><NumberInput v-model="draft.at" unit="m" suffix label="Growing from"
    /></label>
    <label class="field"
      ><span>long</span><NumberInput v-model="draft.length" unit="m" suffix label="Length of bed"
    /></label>
    <label class="field"><span>until</span><DateField v-model="draft.until" label="Growing until" /></label>
    <ElButton native-type="submit" size="small" :disabled="!draft.name.trim() || !draft.until">Save</ElButton>
    <button type="button" class="link small" @click="emit('leave')">Cancel</button>
  </form>
</template>

<style scoped>
.standing {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
  align-items: end;
}
.field {
  width: 8.5rem;
}
.field:first-child {
  width: 13rem;
}
</style>
