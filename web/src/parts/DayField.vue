<script setup lang="ts">
// A day that comes round every year: a day and a month.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { monthNames } from '../lib/words'

const props = defineProps<{ label: string }>()
const model = defineModel<string>({ required: true })
const emit = defineEmits<{ done: [] }>()
const dayText = ref('')
const month = ref(1)
const wrong = computed(() => dayText.value !== '' && !/^\d{1,2}$/.test(dayText.value.trim()))

watch(
  model,
  (m) => {
    dayText.value = m ? String(Number(m.slice(3, 5))) : ''
    if (m) month.value = Number(m.slice(0, 2))
  },
  { immediate: true },
)

function leave() {
  if (dayText.value.trim() === '' || wrong.value) return
  const next = `${String(month.value).padStart(2, '0')}-${dayText.value.trim().padStart(2, '0')}`
  if (next === model.value) return
  model.value = next
  emit('done')
}
</script>

<template>
  <span class="day" role="group" :aria-label="props.label">
    <ElInput
      v-model="dayText"
      class="number"
      size="small"
      inputmode="numeric"
      :aria-label="label + ', day'"
      @change="leave"
    />
    <ElSelect v-model="month" size="small" :aria-label="label + ', month'" @change="leave">
      <ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m" />
    </ElSelect>
    <span v-if="wrong" class="wrong" role="alert">Enter a day from 1 to 31.</span>
  </span>
</template>

<style scoped>
.day {
  display: inline-grid;
  grid-template-columns: 2.6rem 7.4rem;
  gap: var(--space-3);
}
.wrong {
  grid-column: 1 / -1;
}
</style>
