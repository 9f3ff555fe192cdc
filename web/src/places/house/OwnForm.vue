<script setup lang="ts">
// A crop, kind or preparation of the household's own, begun from a row of the book.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref } from 'vue'
import type { Problem } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'

const props = defineProps<{ kind: 'own-crop' | 'own-preparation'; from: string; food?: string }>()
const emit = defineEmits<{ made: [id: string]; close: [] }>()
const store = useHousehold()
const problem = ref<Problem>()
const draft = reactive({ name: '', food: props.food ?? '', crops: [] as string[] })
const kinds = computed(() => (store.reference?.foods ?? []).flatMap((f) => f.kinds).filter((k) => k.weighed))

async function save() {
  const id = 'own-' + Date.now().toString(36) + Math.random().toString(36).slice(2, 6)
  problem.value =
    props.kind === 'own-crop'
      ? await store.edit({
          command: 'add-own-crop',
          own_crop: { id, from: props.from, food: draft.food, name: draft.name },
        })
      : await store.edit({
          command: 'add-own-preparation',
          own_preparation: { id, from: props.from, name: draft.name, crops: draft.crops },
        })
  if (!problem.value) emit('made', id)
}
</script>

<template>
  <form class="own-form" @submit.prevent="save" @keydown.esc="emit('close')">
    <label class="field">
      <span>Its name</span>
      <ElInput v-model="draft.name" size="small" aria-label="Its name" maxlength="60" />
      <span v-if="fieldError(problem, 'name')" class="wrong" role="alert">{{ fieldError(problem, 'name') }}</span>
    </label>
    <label v-if="kind === 'own-crop'" class="field">
      <span>Which food is it?</span>
      <ElInput v-model="draft.food" size="small" aria-label="Which food is it?" maxlength="40" />
      <span v-if="fieldError(problem, 'food')" class="wrong" role="alert">{{ fieldError(problem, 'food') }}</span>
    </label>
    <label v-else class="field wide">
      <span>Made of (empty: the same as the preparation it is based on)</span>
      <ElSelect v-model="draft.crops" size="small" multiple filterable aria-label="Made of">
        <ElOption v-for="k in kinds" :key="k.id" :value="k.id" :label="k.name" />
      </ElSelect>
      <span v-if="fieldError(problem, 'crops')" class="wrong" role="alert">{{ fieldError(problem, 'crops') }}</span>
    </label>
    <div>
      <ElButton native-type="submit" type="primary" size="small">Add</ElButton>
      <ElButton size="small" @click="emit('close')">Cancel</ElButton>
    </div>
    <p v-if="kind === 'own-preparation'" class="small quiet whole">
      Inventory works out amounts only and marks this as not a tested recipe. For times and acidity, follow a current
      tested recipe.
    </p>
    <p v-if="otherErrors(problem, 'name', 'food', 'crops')" class="wrong whole" role="alert">
      {{ otherErrors(problem, 'name', 'food', 'crops') }}
    </p>
  </form>
</template>

<style scoped>
.own-form {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
}
.wide {
  min-width: 20rem;
}
.whole {
  flex-basis: 100%;
}
</style>
