<script setup lang="ts">
// A day with its year, in words: typed as people say it, or moved by a day.
import { ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { readDay } from '../lib/dates'
import { useHousehold } from '../lib/household'
import { dayNumber, fullDay, isoDay } from '../lib/words'

const props = defineProps<{
  label: string
  /** The last day that it may be. */
  max?: string
  /** It may be left empty. */
  blank?: boolean
  disabled?: boolean
}>()
const model = defineModel<string>({ required: true })
const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const text = ref('')
const wrong = ref('')
const today = computed(() => store.plan?.as_of ?? '')

watch(
  model,
  (iso) => {
    text.value = iso ? fullDay(iso) : ''
    wrong.value = ''
  },
  { immediate: true },
)

function put(iso: string) {
  if (props.max && iso > props.max) {
    wrong.value = `Enter a day until ${fullDay(props.max)}.`
    return
  }
  wrong.value = ''
  text.value = fullDay(iso)
  if (iso === model.value) return
  model.value = iso
  emit('done')
}
function leave() {
  if (props.blank && !text.value.trim()) {
    wrong.value = ''
    model.value = ''
    emit('done')
    return
  }
  const iso = readDay(text.value, model.value || today.value, today.value)
  if (iso) put(iso)
  else wrong.value = `Enter a day such as ${fullDay(today.value)}.`
}
const step = (by: number) => put(isoDay(dayNumber(model.value || today.value) + by))
</script>

<template>
  <span class="date" role="group" :aria-label="label">
    <!-- The field comes first, so that a press on its label goes to it. -->
    <ElInput
      v-model="text"
      size="small"
      :disabled="disabled"
      :aria-label="label"
      :aria-invalid="!!wrong"
      @change="leave"
    />
    <button
      type="button"
      class="plain earlier"
      :disabled="disabled"
      :aria-label="`${label}: a day earlier`"
      @click.prevent="step(-1)"
    >
      ‹
    </button>
    <button
      type="button"
      class="plain"
      :disabled="disabled"
      :aria-label="`${label}: a day later`"
      @click.prevent="step(1)"
    >
      ›
    </button>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.date {
  display: inline-grid;
  grid-template-columns: auto minmax(6.4rem, 1fr) auto;
  align-items: center;
}
.date button {
  padding: 0 var(--space-3);
  min-height: 28px;
}
.earlier {
  order: -1;
}
.wrong {
  grid-column: 1 / -1;
}
@media (max-width: 640px) {
  .date button {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
