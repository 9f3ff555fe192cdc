<script setup lang="ts">
// What became of last year's: the amount for this year follows from it.
import { ElCheckbox, ElInput } from 'element-plus'
import { computed } from 'vue'
import { useUnits } from '../../lib/units'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import DayField from '../../parts/DayField.vue'

interface Told {
  storied: boolean
  had: string
  ranOut: string
  began: string
  leftThen: string
  given: string
}
const props = defineProps<{ draft: Told; unit: string; at: (...fields: string[]) => string }>()
const { shown } = useUnits()
const d = computed(() => props.draft)
const unitWords = computed(() => (props.unit ? shown(props.unit).unit : ''))

function end(ran: boolean) {
  d.value.ranOut = ran ? '02-15' : ''
}
</script>

<template>
  <div class="whole">
    <ElCheckbox v-model="d.storied">Use last year’s result</ElCheckbox>
    <div v-if="d.storied" class="story">
      <label class="field"
        ><span>Amount we had</span>
        <ElInput v-model="d.had" class="number" size="small" inputmode="decimal" aria-label="Amount we had"
          ><template v-if="unitWords" #suffix>{{ unitWords }}</template></ElInput
        >
      </label>
      <div class="field ends">
        <span>What happened</span>
        <ChoiceButtons
          :model-value="!!d.ranOut"
          label="How it ended"
          :options="[
            { value: true, words: 'ran out' },
            { value: false, words: 'lasted' },
          ]"
          @update:model-value="end"
        />
      </div>
      <div v-if="d.ranOut" class="field">
        <span>first eaten</span>
        <DayField v-model="d.began" label="First eaten" />
      </div>
      <div v-if="d.ranOut" class="field">
        <span>ran out</span>
        <DayField v-model="d.ranOut" label="Ran out" />
      </div>
      <label v-if="!d.ranOut" class="field"
        ><span>left at the next harvest</span>
        <ElInput
          v-model="d.leftThen"
          class="number"
          size="small"
          inputmode="decimal"
          aria-label="Left at the next harvest"
        />
      </label>
      <label class="field"
        ><span>given away</span>
        <ElInput v-model="d.given" class="number" size="small" inputmode="decimal" aria-label="Given away" />
      </label>
      <p v-if="at('story.had', 'story.left', 'story.given', 'story.from', 'story.ran_out')" class="wrong" role="alert">
        {{ at('story.had', 'story.left', 'story.given', 'story.from', 'story.ran_out') }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.whole {
  grid-column: 1 / -1;
}
.story {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  padding-left: var(--space-6);
}
.story .el-input {
  width: 6rem;
}
</style>
