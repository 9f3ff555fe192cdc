<script setup lang="ts">
// Something was lost: how much of it, when and why. What follows, the weeks that then lack it
// and what is sown again, is shown before it is put down.
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Sowing, SowingEvent } from '../lib/api'
import { useForesight } from '../lib/foresight'
import { useHousehold } from '../lib/household'
import { wordsOf } from '../lib/problems'
import { capital, count } from '../lib/words'
import ForesightPanel from './ForesightPanel.vue'
import NumberInput from './NumberInput.vue'
import DateField from './DateField.vue'

const props = defineProps<{ sowings: Sowing[] }>()
const emit = defineEmits<{ done: []; leave: [] }>()
const store = useHousehold()
const { found, wrong, change, propose, drop } = useForesight()

const left = ref<number | undefined>(0)
const cause = ref('')
const on = ref(store.plan?.as_of ?? '')
const refused = ref('')
const names = computed(() =>
  props.sowings.length === 1
    ? (props.sowings[0]?.crop_name ?? '')
    : count(props.sowings.length, 'planting') + ' of this bed',
)

const events = computed<SowingEvent[]>(() =>
  props.sowings.map((s) => ({
    sowing: s.id,
    day: on.value,
    cause: cause.value || undefined,
    ...(left.value ? { what: 'share' as const, count: left.value } : { what: 'ended' as const }),
  })),
)
async function take() {
  const [one] = events.value
  const p = events.value.length === 1 && one ? await store.log(one) : await store.logAll(events.value)
  refused.value = wordsOf(p)
  if (!p) emit('done')
}
</script>

<template>
  <div class="loss" data-loss>
    <p class="fields">
      <label><span>Plants left of 100</span> <NumberInput v-model="left" label="Plants left of 100" /></label>
      <label
        ><span>Why</span>
        <ElSelect v-model="cause" size="small" clearable placeholder="not said" aria-label="Why it was lost">
          <ElOption v-for="c in store.reference?.causes ?? []" :key="c.cause" :value="c.cause" :label="c.words" />
        </ElSelect>
      </label>
      <label><span>On</span> <DateField v-model="on" label="On which day it was lost" /></label>
    </p>
    <ForesightPanel
      v-if="change"
      :found="found"
      :what="`What changes if of ${names} ${left ? left + ' of 100 plants are left' : 'nothing is left'}`"
      @take="take"
      @leave="drop"
    />
    <p v-else class="buttons">
      <ElButton size="small" type="primary" @click="propose({ command: 'log-all', events })">What changes?</ElButton>
      <ElButton size="small" @click="emit('leave')">Cancel</ElButton>
    </p>
    <p v-if="refused || wrong" class="wrong" role="alert">{{ capital(refused || wrong) }}</p>
  </div>
</template>

<style scoped>
.loss {
  padding: var(--space-2) 0 var(--space-3);
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: end;
  margin: 0 0 var(--space-3);
}
.fields label {
  display: grid;
  gap: var(--space-1);
  font-size: var(--type-small);
  color: var(--ink-2);
}
.fields .number-input {
  width: 7rem;
}
.fields .el-select,
.fields .el-input {
  width: 10rem;
}
.buttons {
  margin: 0;
}
@media (max-width: 720px) {
  .buttons .el-button {
    min-height: 44px;
  }
}
</style>
