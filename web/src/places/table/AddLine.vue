<script setup lang="ts">
// One line to type a wish in; it says what it understood before it is taken.
import { ElButton, ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import type { Wish } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { otherErrors } from '../../lib/problems'
import { useLine } from '../../lib/lines'
import LineReadings from '../../parts/LineReadings.vue'
import WishPreview from '../../parts/WishPreview.vue'

/** Alone: without the way to the form, where there is none. */
defineProps<{ alone?: boolean }>()
const emit = defineEmits<{ controls: [wish?: Wish] }>()
const store = useHousehold()
const { text, readings, choices, chosen, wrong, accept, clear } = useLine()
const input = ref<InstanceType<typeof ElInput>>()
const refused = ref('')
const preview = computed(() => (wrong.value ? undefined : readings.value[chosen.value]?.wish))

async function add() {
  refused.value = ''
  const reading = await accept()
  if (!reading) return
  const p = await store.edit({ command: 'add-wish', wish: reading.wish })
  if (p) refused.value = otherErrors(p) || p.detail
  else clear()
}

/** Takes a line that is offered for what was typed. */
function take(line: string) {
  text.value = line
  input.value?.focus()
}

/** Opens the controls with what was typed in them, a food alone too; what is not understood stays in the line. */
async function byControls() {
  const reading = text.value.trim() ? await accept() : undefined
  emit('controls', (reading ?? readings.value[chosen.value] ?? choices.value[0])?.wish)
}

defineExpose({ focus: () => input.value?.focus(), clear })
</script>

<template>
  <form class="add no-print" @submit.prevent="add">
    <div class="row">
      <ElInput
        ref="input"
        v-model="text"
        size="large"
        aria-label="New wish"
        placeholder="Add a food: 35 qt tomato sauce · carrots 2x week · 6 heads lettuce a week may-oct"
        @keydown.esc="clear"
      />
      <ElButton native-type="submit" type="primary" :disabled="!text.trim()">Add</ElButton>
      <button v-if="!alone" type="button" class="link small" @click="byControls">Fill in a form</button>
    </div>
    <LineReadings
      v-model:chosen="chosen"
      :readings="readings"
      :choices="refused ? [] : choices"
      :wrong="wrong || refused"
      @take="take"
    />
    <WishPreview v-if="preview" :wish="preview" />
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
.row :deep(.el-input__inner) {
  font-family: var(--serif);
  font-size: var(--type-large);
}
.link {
  white-space: nowrap;
}
@media (max-width: 720px) {
  .row {
    flex-wrap: wrap;
  }
  .row :deep(.el-input) {
    flex-basis: 100%;
  }
}
</style>
