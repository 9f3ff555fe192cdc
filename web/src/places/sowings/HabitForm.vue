<script setup lang="ts">
// How the household grows one crop: by which school, in which way, and between
// which days. What is left open goes by the book and the household's rule.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Habit, Problem } from '../../lib/api'
import { useForesight } from '../../lib/foresight'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { methodWords } from '../../lib/facts'
import { yearDay } from '../../lib/words'
import DayField from '../../parts/DayField.vue'
import NumberInput from '../../parts/NumberInput.vue'
import ForesightPanel from '../../parts/ForesightPanel.vue'

const props = defineProps<{ crop: string; ask?: boolean }>()
const store = useHousehold()
const problem = ref<Problem>()
const habit = computed<Habit>(() => store.household?.habits.find((h) => h.crop === props.crop) ?? { crop: props.crop })
const kind = computed(() => store.crops.find((k) => k.id === props.crop))
/** Whether anything grows in pots here. */
const pots = computed(() => store.household?.beds.some((b) => b.kind === 'containers'))
const methods = computed(() => ['', ...(kind.value?.methods ?? [])])

const { change: asked, found, wrong, propose, drop } = useForesight()

/** Asked first, it shows what would follow before it is taken. */
async function set(change: Partial<Habit>, taking = false) {
  if (props.ask && !taking) return propose({ command: 'set-habit', habit: { ...habit.value, ...change } })
  problem.value = await store.edit({ command: 'set-habit', habit: { ...habit.value, ...change } })
  drop()
}
</script>

<template>
  <div class="habit no-print" role="group" aria-label="How it is grown here">
    <label class="field"
      ><span>First date set by</span
      ><ElSelect
        :model-value="habit.school ?? ''"
        size="small"
        aria-label="First date set by"
        :empty-values="[null, undefined]"
        @change="(v: Habit['school']) => set({ school: v })"
      >
        <ElOption value="" label="same as all crops" />
        <ElOption value="frost" label="weeks before or after the last frost" />
        <ElOption value="temperature" label="when it is warm enough" /> </ElSelect
    ></label>
    <label class="field"
      ><span>How to start it</span
      ><ElSelect
        :model-value="habit.way ?? ''"
        size="small"
        aria-label="How to start it"
        :empty-values="[null, undefined]"
        @change="(v: Habit['way']) => set({ way: v })"
      >
        <ElOption v-for="m in methods" :key="m" :value="m" :label="methodWords(m)" /> </ElSelect
    ></label>
    <div v-for="f in ['not_before', 'not_after'] as const" :key="f" class="field">
      <span
        >{{ f === 'not_before' ? 'Not in the bed before' : 'and not after'
        }}<button v-if="habit[f]" type="button" class="link" @click="set({ [f]: '' })">any day</button></span
      >
      <DayField
        :model-value="habit[f] ?? ''"
        :label="f === 'not_before' ? 'Not in the bed before' : 'Not in the bed after'"
        @update:model-value="(v) => set({ [f]: v })"
      />
      <span v-if="habit[f]" class="hidden-words">{{ yearDay(habit[f] ?? '') }}</span>
    </div>
    <label v-if="kind?.bulbing" class="field"
      ><span>Day-length type</span
      ><ElSelect
        :model-value="habit.day_length ?? ''"
        size="small"
        aria-label="Day-length type"
        :empty-values="[null, undefined]"
        @change="(v: Habit['day_length']) => set({ day_length: v })"
      >
        <ElOption value="" label="not chosen" />
        <ElOption value="short" label="short-day (far south)" />
        <ElOption value="intermediate" label="intermediate" />
        <ElOption value="long" label="long-day (north)" /> </ElSelect
    ></label>
    <label v-if="pots" class="field"
      ><span>Plants in a pot or bag</span
      ><NumberInput
        :model-value="habit.in_one || undefined"
        blank
        label="Plants in a pot or bag"
        placeholder="by spacing"
        @update:model-value="(n) => set({ in_one: n || undefined })"
    /></label>
    <ForesightPanel
      v-if="asked"
      what="How it is grown here"
      :found="found"
      @take="set(asked.habit ?? {}, true)"
      @leave="drop"
    />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="problem" class="wrong" role="alert">
      {{ wordsOf(problem) }}
    </p>
  </div>
</template>

<style scoped>
.habit {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  padding: var(--space-3) 0;
}
.habit .el-select {
  width: 12.5rem;
}
.habit .link {
  margin-left: var(--space-4);
}
.wrong {
  flex-basis: 100%;
}
</style>
