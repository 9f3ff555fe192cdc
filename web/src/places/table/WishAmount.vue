<script setup lang="ts">
// What is wished, as a sentence: how much, measured in what, of which food and variety.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { useUnits } from '../../lib/units'
import { useDraft } from './wishdraft'

const { draft, foods, kinds, amountKinds, usualPortion, jars, at } = useDraft()
const { entry, shown } = useUnits()
</script>

<template>
  <label class="field">
    <span>We want</span>
    <ElInput v-model="draft.number" class="number few" inputmode="decimal" aria-label="How much" />
    <span v-if="at('amount.number')" class="wrong" role="alert">{{ at('amount.number') }}</span>
  </label>
  <label class="field">
    <ElSelect v-model="draft.amountKind" class="some" aria-label="Measured in">
      <ElOption v-for="k in amountKinds" :key="k.value" :value="k.value" :label="k.label" />
    </ElSelect>
    <span v-if="at('amount.kind')" class="wrong" role="alert">{{ at('amount.kind') }}</span>
  </label>
  <label class="field">
    <span>of</span>
    <ElSelect
      v-model="draft.food"
      class="some"
      filterable
      default-first-option
      aria-label="Food"
      placeholder="type to find"
    >
      <ElOption v-for="f in foods" :key="f.name" :value="f.name" :label="f.name" />
    </ElSelect>
    <span v-if="at('food')" class="wrong" role="alert">{{ at('food') }}</span>
  </label>
  <label class="field">
    <span>variety</span>
    <ElSelect v-model="draft.kind" class="much" aria-label="Variety" :empty-values="[null, undefined]">
      <ElOption value="" label="the best for each use" />
      <ElOption v-for="k in kinds" :key="k.id" :value="k.id" :label="k.name" />
    </ElSelect>
    <span v-if="at('kind')" class="wrong" role="alert">{{ at('kind') }}</span>
  </label>
  <label v-if="draft.amountKind === 'meals'" class="field">
    <span>a portion</span>
    <ElInput
      v-model="draft.portion"
      class="number some"
      inputmode="decimal"
      aria-label="A portion"
      :placeholder="usualPortion ? 'usual ' + entry(usualPortion, 'g') : ''"
    >
      <template #suffix>{{ shown('g').unit }}</template>
    </ElInput>
    <span v-if="at('amount.portion')" class="wrong" role="alert">{{ at('amount.portion') }}</span>
  </label>
  <label v-if="draft.amountKind === 'jars'" class="field">
    <span>each jar a</span>
    <ElSelect v-model="draft.jar" class="some" aria-label="Jar">
      <ElOption v-for="j in jars" :key="j.value" :value="j.value" :label="j.label" />
    </ElSelect>
    <span v-if="at('amount.jar')" class="wrong" role="alert">{{ at('amount.jar') }}</span>
  </label>
</template>
