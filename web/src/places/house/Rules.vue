<script setup lang="ts">
// The household's name, the year it plans and how close to the frost it goes.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { reactive, ref, watch } from 'vue'
import type { Problem, Settings } from '../../lib/api'
import { fieldError, otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { system } = useUnits()
const draft = reactive<Settings>(copy())
const problem = ref<Problem>()

function copy(): Settings {
  const h = store.household
  return {
    name: h?.name ?? '',
    year: h?.year ?? 0,
    start: h?.start ?? '',
    risk: h?.risk ?? 'usual',
    school: h?.school ?? '',
  }
}
watch(
  () => JSON.stringify(copy()),
  () => {
    if (!problem.value) Object.assign(draft, copy())
  },
)

async function save() {
  if (JSON.stringify(draft) === JSON.stringify(copy())) {
    problem.value = undefined
    return
  }
  problem.value = await store.edit({ command: 'set-household', settings: { ...draft } })
}
</script>

<template>
  <section aria-label="Household and rules">
    <h3>Household and rules</h3>
    <div class="rules">
      <label class="field">
        <span>Name of the household</span>
        <ElInput v-model="draft.name" size="small" aria-label="Name of the household" @change="save" />
        <span v-if="fieldError(problem, 'name')" class="wrong" role="alert">{{ fieldError(problem, 'name') }}</span>
      </label>
      <label class="field">
        <span>The table year begins in</span>
        <NumberInput v-model="draft.year" label="The table year begins in" @done="save" />
        <span v-if="fieldError(problem, 'year')" class="wrong" role="alert">{{ fieldError(problem, 'year') }}</span>
      </label>
      <label class="field">
        <span>Close to the frost</span>
        <ElSelect v-model="draft.risk" size="small" aria-label="Close to the frost" @change="save">
          <ElOption value="careful" label="careful: a week later, a week sooner in" />
          <ElOption value="usual" label="usual: by the median frosts" />
          <ElOption value="bold" label="bold: a week earlier, a week longer out" />
        </ElSelect>
      </label>
      <label class="field">
        <span>Spring begins</span>
        <ElSelect
          v-model="draft.school"
          size="small"
          aria-label="Spring begins"
          :empty-values="[null, undefined]"
          @change="save"
        >
          <ElOption value="" label="by the frost: weeks from the last one" />
          <ElOption value="temperature" label="by the temperature: when it is warm enough" />
        </ElSelect>
      </label>
    </div>
    <p v-if="otherErrors(problem, 'name', 'year')" class="wrong" role="alert">
      {{ otherErrors(problem, 'name', 'year') }}
    </p>
    <div class="choice units" role="group" aria-label="Units here">
      <button type="button" class="plain" :aria-pressed="system === 'metric'" @click="system = 'metric'">metric</button>
      <button type="button" class="plain" :aria-pressed="system === 'us'" @click="system = 'us'">US customary</button>
    </div>
  </section>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: 1fr 9rem 1.2fr;
  gap: 0.4rem 1rem;
}
.units {
  margin-top: 0.7rem;
}
@container leaf (max-width: 620px) {
  .rules {
    grid-template-columns: 1fr;
  }
}
</style>
