<script setup lang="ts">
// The household's name, the year it plans and how close to the frost it goes.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { reactive, ref, watch } from 'vue'
import type { Problem, Settings } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import NumberInput from '../../parts/NumberInput.vue'
import WhatIs from '../../parts/WhatIs.vue'
import SunChoice from '../../parts/SunChoice.vue'
import UnitsChoice from '../../parts/UnitsChoice.vue'

const store = useHousehold()
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
        <span
          >The food year begins in
          <WhatIs
            of="The food year"
            words="The year whose harvest you plan. It runs from one spring to the next, so that what you pick in autumn feeds the winter after it."
        /></span>
        <NumberInput v-model="draft.year" label="The food year begins in" @done="save" />
        <span v-if="fieldError(problem, 'year')" class="wrong" role="alert">{{ fieldError(problem, 'year') }}</span>
      </label>
      <label class="field">
        <span
          >How much frost risk do you take?
          <WhatIs
            of="Frost risk"
            words="It moves the dates of crops that frost harms, and how much warmth they must get before autumn. Hardy crops stay as they are."
        /></span>
        <ElSelect v-model="draft.risk" size="small" aria-label="How much frost risk do you take?" @change="save">
          <ElOption value="careful" label="Less: a week later in spring, a week earlier in autumn" />
          <ElOption value="usual" label="Usual: by the usual frost dates" />
          <ElOption value="bold" label="More: a week earlier in spring, a week later in autumn" />
        </ElSelect>
      </label>
      <label class="field">
        <span
          >First sowing dates set by
          <WhatIs
            of="First sowing dates"
            words="By the frost: so many weeks before or after the last one. By the temperature: when nights are warm enough. Places without frost always go by the temperature."
        /></span>
        <ElSelect
          v-model="draft.school"
          size="small"
          aria-label="First sowing dates set by"
          :empty-values="[null, undefined]"
          @change="save"
        >
          <ElOption value="" label="weeks before or after the usual last frost" />
          <ElOption value="temperature" label="the temperature: when it is warm enough" />
        </ElSelect>
      </label>
    </div>
    <p v-if="otherErrors(problem, 'name', 'year')" class="wrong" role="alert">
      {{ otherErrors(problem, 'name', 'year') }}
    </p>
    <UnitsChoice class="units" label="Units on this device" us="US customary" />
    <SunChoice class="units" />
  </section>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: 1fr 9rem 1.2fr;
  gap: var(--space-4) var(--space-6);
}
.units {
  margin-top: var(--space-5);
}
@container leaf (max-width: 620px) {
  .rules {
    grid-template-columns: 1fr;
  }
}
</style>
