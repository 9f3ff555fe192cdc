<script setup lang="ts">
// One thing to do: done today with one press, or on another day, or less of it.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import type { Problem, Sowing, Task } from '../../lib/api'
import { useTurns } from '../../lib/bedwork'
import type { Line } from '../../lib/daybook'
import { useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count as many, day, taskAmount, weekday } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import LessonLines from './LessonLines.vue'
import TurnLines from './TurnLines.vue'
import DateField from '../../parts/DateField.vue'

const props = defineProps<{ line: Line; overdue?: boolean }>()
const store = useHousehold()
const { say } = useUnits()
const open = ref(false)
const problem = ref<Problem>()
const on = ref(store.plan?.as_of ?? '')
const counts = ref<Record<string, number | undefined>>({})

const whereIs = useWhere()
const turnsOf = useTurns()
/** What is done in the beds before the next crop, where this clears one. */
const turns = computed(() => (props.line.what === 'clear' ? turnsOf(...props.line.parts.map((p) => p.sowing.id)) : []))
/** In which bed; not of what is done indoors. */
const place = computed(() => {
  const outside = props.line.parts.filter(
    ({ sowing, task }) =>
      task.what !== 'pot-on' &&
      task.what !== 'harden-off' &&
      sowing.method !== 'tray' &&
      !(task.what === 'sow' && sowing.method === 'raised') &&
      !(task.what === 'up-by' && sowing.method === 'raised'),
  )
  return whereIs(...outside.map((p) => p.sowing.id))
})
const amount = computed(() => {
  const l = props.line
  if (!l.count || l.what === 'up-by') return ''
  const text = taskAmount({ count: l.count, unit: l.unit, noun: l.parts[0]?.task.noun }, say)
  return l.what === 'pick' || l.what === 'lift' ? `likely ${text}` : text
})
const each = computed(() => {
  const t = props.line.parts[0]?.task
  if (!t) return ''
  if (t.each) return many(t.each, 'seed') + ' to each'
  if (t.every && t.until) return `every ${many(t.every, 'day')} until ${day(t.until)}`
  return ''
})
/** Counts matter where they say how many plants there are. */
const counted = computed(() => ['sow', 'plant-out'].includes(props.line.what))

/** Nobody has put it down, and it counts as done for some days. */
const presumed = computed(() =>
  props.line.parts.every(({ sowing, task }) => sowing.presumed && task === sowing.tasks[0]),
)

/** Put down on this device, and not yet sent. */
const waits = computed(() => props.line.parts.every(({ sowing, task }) => store.waitsFor(sowing.id, task.what)))

async function put(sowing: Sowing, task: Task, count: number) {
  const today = store.plan?.as_of
  problem.value = await store.log({
    sowing: sowing.id,
    what: 'done',
    task: task.what,
    day: open.value ? on.value : today,
    count,
  })
  return !problem.value
}

/** What is not begun yet may be given up: nothing is sown in its place on a day that is past. */
const unmade = computed(() =>
  props.line.parts.every(({ sowing, task }) => !sowing.begun && task === sowing.tasks[0] && sowing.method !== 'patch'),
)
async function skip() {
  for (const { sowing } of [...props.line.parts]) {
    problem.value = await store.log({ sowing: sowing.id, what: 'ended', day: store.plan?.as_of })
    if (problem.value) return
  }
}

async function done() {
  for (const { sowing, task } of [...props.line.parts]) {
    if (store.waitsFor(sowing.id, task.what)) continue
    const real = counts.value[sowing.id]
    const all = task.count ?? 0
    const less = open.value && counted.value && real !== undefined && Math.abs(real - all) > 1e-9
    if (!(await put(sowing, task, less ? real : 0))) return
  }
}
</script>

<template>
  <li class="task" :class="{ waits }" :data-task="line.what" :data-crop="line.crop">
    <button
      type="button"
      class="tick"
      :aria-label="`Done: ${line.do} ${line.crop}`"
      :disabled="store.busy > 0 || waits"
      @click="done"
    >
      <svg viewBox="0 0 16 16" aria-hidden="true"><path d="M3 8.5 6.5 12 13 4.5" /></svg>
    </button>
    <button type="button" class="plain what" :aria-expanded="open" @click="open = !open">
      <span class="do">{{ line.do }}</span> <span class="crop">{{ line.crop }}</span>
      <span class="more small"
        ><b v-if="amount">{{ amount }}</b
        ><b v-if="waits" class="waits">waiting to be sent</b
        ><span v-if="presumed">counts as done for now. Was it done?</span><span v-if="each">{{ each }}</span
        ><span v-if="place">{{ place }}</span
        ><span v-if="line.parts.length > 1">{{ many(line.parts.length, 'sowing') }}</span></span
      >
    </button>
    <span class="when" :class="{ warn: overdue }"
      ><span class="weekday small">{{ weekday(line.day).slice(0, 3) }}</span> {{ day(line.day) }}</span
    >
    <LessonLines :line="line.key" />
    <TurnLines v-if="turns.length" :turns="turns" />
    <div v-if="open" class="form">
      <label class="field"><span>Done on</span><DateField v-model="on" label="Done on" /></label>
      <template v-if="counted">
        <label v-for="p in line.parts" :key="p.sowing.id" class="field">
          <span
            >{{ p.task.unit }} done{{ line.parts.length > 1 ? ', ' + p.sowing.wish_title : '' }}, of
            {{ say(p.task.count ?? 0, p.task.unit ?? '') }}</span
          >
          <NumberInput
            :model-value="counts[p.sowing.id] ?? p.task.count"
            :unit="p.task.unit"
            :label="`How much was done, ${p.sowing.wish_title}`"
            @update:model-value="(v) => (counts[p.sowing.id] = v)"
          />
        </label>
      </template>
      <ElButton type="primary" size="small" @click="done">Save</ElButton>
      <button v-if="unmade" type="button" class="link" @click="skip">Skip it</button>
      <p v-if="problem" class="wrong" role="alert">
        {{ wordsOf(problem) }}
      </p>
    </div>
    <p v-else-if="problem" class="wrong form" role="alert">{{ wordsOf(problem) }}</p>
  </li>
</template>

<style scoped>
.waits .tick path {
  opacity: 1;
}
b.waits {
  color: var(--accent);
}
.what {
  text-align: left;
  line-height: 1.25;
}
.do {
  color: var(--ink-2);
}
.crop {
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-large);
}
.more b {
  color: var(--ink);
}
.form {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  padding: var(--space-3) 0 var(--space-4);
}
.form .wrong {
  flex-basis: 100%;
}
</style>
