<script setup lang="ts">
// What is wished: the food and its kind, how much, Measured in.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { useUnits } from '../../lib/units'
import { useDraft } from './wishdraft'

const { draft, foods, kinds, amountKinds, usualPortion, jars, at } = useDraft()
const { entry, shown } = useUnits()
</script>

<template>
  <label class="field">
    <span>Food</span>
    <ElSelect v-model="draft.food" filterable default-first-option aria-label="Food" placeholder="type to find">
      <ElOption v-for="f in foods" :key="f.name" :value="f.name" :label="f.name" />
    </ElSelect>
    <span v-if="at('food')" class="wrong" role="alert">{{ at('food') }}</span>
  </label>
  <label class="field">
    <span>Variety</span>
    <ElSelect v-model="draft.kind" aria-label="Variety" :empty-values="[null, undefined]">
      <ElOption value="" label="Best variety for each use" />
      <ElOption v-for="k in kinds" :key="k.id" :value="k.id" :label="k.name" />
    </ElSelect>
    <span v-if="at('kind')" class="wrong" role="alert">{{ at('kind') }}</span>
  </label>
  <label class="field narrow">
    <span>How much</span>
    <ElInput v-model="draft.number" class="number" inputmode="decimal" aria-label="How much" />
    <span v-if="at('amount.number')" class="wrong" role="alert">{{ at('amount.number') }}</span>
  </label>
  <label class="field">
    <span>Measured in</span>
    <ElSelect v-model="draft.amountKind" aria-label="Measured in">
      <ElOption v-for="k in amountKinds" :key="k.value" :value="k.value" :label="k.label" />
    </ElSelect>
    <span v-if="at('amount.kind')" class="wrong" role="alert">{{ at('amount.kind') }}</span>
  </label>
  <label v-if="draft.amountKind === 'meals'" class="field narrow">
    <span>A portion, {{ shown('g').unit }}</span>
    <ElInput
      v-model="draft.portion"
      class="number"
      inputmode="decimal"
      aria-label="A portion"
      :placeholder="usualPortion ? 'usual ' + entry(usualPortion, 'g') : ''"
    />
    <span v-if="at('amount.portion')" class="wrong" role="alert">{{ at('amount.portion') }}</span>
  </label>
  <label v-if="draft.amountKind === 'jars'" class="field">
    <span>Jar</span>
    <ElSelect v-model="draft.jar" aria-label="Jar">
      <ElOption v-for="j in jars" :key="j.value" :value="j.value" :label="j.label" />
    </ElSelect>
    <span v-if="at('amount.jar')" class="wrong" role="alert">{{ at('amount.jar') }}</span>
  </label>
</template>
