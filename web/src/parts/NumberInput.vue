<script setup lang="ts">
// A number in the reader's units. What is typed stays typed; the model is NaN
// while it is no number, and the message stands beside it.
import { computed, ref, watch } from 'vue'
import { ElInput } from 'element-plus'
import { useUnits } from '../lib/units'

const props = defineProps<{ unit?: string; label: string; suffix?: boolean; blank?: boolean; placeholder?: string }>()
const model = defineModel<number | undefined>({ required: true })
const emit = defineEmits<{ done: [] }>()
const { entry, read, shown, system } = useUnits()

const text = ref('')
const wrong = ref(false)
function follow() {
  text.value = model.value === undefined || Number.isNaN(model.value) ? '' : entry(model.value, props.unit ?? '')
}
watch([model, system], () => !wrong.value && follow(), { immediate: true })

/** The unit beside the field, where the text does not name its own: 4 ft 6 in. */
const suffixWords = computed(() =>
  props.suffix && props.unit && !/[a-z]/i.test(text.value) ? shown(props.unit).unit : '',
)

function leave() {
  if (props.blank && text.value.trim() === '') {
    wrong.value = false
    model.value = undefined
    emit('done')
    return
  }
  if (model.value !== undefined && text.value === entry(model.value, props.unit ?? '')) {
    wrong.value = false
    return
  }
  const v = read(text.value, props.unit ?? '')
  wrong.value = Number.isNaN(v)
  if (wrong.value) return
  model.value = v
  emit('done')
}
</script>

<template>
  <span class="number-input">
    <ElInput
      v-model="text"
      class="number"
      size="small"
      inputmode="decimal"
      :aria-label="label"
      :aria-invalid="wrong"
      :placeholder="placeholder"
      @change="leave"
      @keydown.enter.prevent="leave"
    >
      <template v-if="suffixWords" #suffix>{{ suffixWords }}</template>
    </ElInput>
    <span v-if="wrong" class="wrong" role="alert">Enter a number.</span>
  </span>
</template>
