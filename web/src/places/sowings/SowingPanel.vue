<script setup lang="ts">
// One sowing opened: why it lies where it does, its dated work, and what may be
// set by hand. The rest of the plan is reckoned around what is set.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api, type Problem, type Sowing, type SowingEvent } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { methodWords } from '../../lib/facts'
import { count, day, taskAmount } from '../../lib/words'
import MonthScale from '../../parts/MonthScale.vue'
import NotesOf from '../../parts/NotesOf.vue'
import NumberInput from '../../parts/NumberInput.vue'
import Ribbon from '../../parts/Ribbon.vue'

const props = defineProps<{ sowing: Sowing; ribbon?: boolean }>()
const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const habit = computed(() => store.household?.habits.find((h) => h.crop === props.sowing.crop))
/** Accepts that the crop crosses with other kinds, or no longer. */
async function letCross(crosses: boolean) {
  const rest = { ...(habit.value ?? { crop: props.sowing.crop }) }
  delete rest.crosses
  problem.value = await store.edit({ command: 'set-habit', habit: crosses ? { ...rest, crosses } : rest })
}
const s = computed(() => props.sowing)
const food = computed(() => store.reference?.foods.find((f) => f.kinds.some((k) => k.id === s.value.crop))?.name)
const fixed = computed(() => s.value.method === 'patch' || s.value.stands)
const planting = computed(() => store.household?.plantings.find((p) => p.id === s.value.id))
const crop = computed(() => store.reference?.foods.flatMap((f) => f.kinds).find((k) => k.id === s.value.crop))

async function tell(event: Omit<SowingEvent, 'sowing'>) {
  problem.value = await store.log({ sowing: s.value.id, ...event })
}
async function letGo() {
  problem.value = await store.edit({ command: 'remove-planting', target: s.value.id })
}
function move(iso: string) {
  if (iso && iso !== s.value.date) void tell({ what: 'set', day: iso })
}
function recount(n: number | undefined) {
  if (n && n !== s.value.plants) void tell({ what: 'count', count: n })
}

/** The chance that it is ready before the frost, where frost ends it. */
const { data: chances } = useAnswer(
  'sowing-chances',
  () => (fixed.value ? undefined : s.value.id),
  (id, signal) => api.GET('/sowing-chances', { params: { query: { sowing: id } }, signal }),
  (was, now) => was === now,
)
const inTime = computed(() => {
  const c = chances.value
  if (!c || c.in_time === null) return ''
  const years = (p: number) => Math.round(100 * p)
  const beside = [
    c.earlier === null ? '' : `ten days earlier in ${years(c.earlier)}`,
    c.later === null ? '' : `ten days later in ${years(c.later)}`,
  ].filter(Boolean)
  return `It is ready before the first frost in ${years(c.in_time)} of 100 years${beside.length ? ', begun ' + beside.join(', ') : ''}.`
})

const sources = computed(() => {
  const out: string[] = Array(52).fill('')
  for (const w of s.value.feeds) out[w] = s.value.form || ''
  return out
})
</script>

<template>
  <div class="panel small">
    <p>
      Not earlier: {{ s.first_why }}. Not later: {{ s.last_why }}.
      <template v-if="s.plain_pick"
        >{{ s.days }} days to the first harvest by the heat it needs, {{ day(s.first_pick) }}; by the catalogue's days
        alone {{ day(s.plain_pick) }}; planned for {{ day(s.sure_pick) }} at the latest.
      </template>
      <template v-if="s.frost >= 0.005">
        The last frost comes after that day in {{ Math.round(s.frost * 100) }} of 100 years.</template
      >
      <template v-if="inTime">{{ inTime }} </template>
      Lost outright in {{ Math.round(s.loss_chance * 100) }} of 100 years.
    </p>
    <p v-if="s.set_why" class="warn">Set by hand though it may not be begun then: {{ s.set_why }}.</p>
    <p v-if="s.crosses" class="warn">
      Crosses: {{ s.crosses }}. <button type="button" class="link" @click="letCross(true)">let it cross</button>
    </p>
    <p v-if="habit?.crosses" class="quiet">
      It may cross with other kinds, by your word.
      <button type="button" class="link" @click="letCross(false)">keep it apart again</button>
    </p>
    <p v-if="s.merged">{{ s.merged.charAt(0).toUpperCase() + s.merged.slice(1) }}.</p>
    <p v-if="s.early">
      Risked two weeks before its season: its loss is accepted, and nothing counts on it until it is put down as sown.
    </p>
    <ol v-if="s.tasks.length" class="tasks">
      <li v-for="t in s.tasks" :key="t.what" :class="{ done: t.done, moot: t.state === 'skipped' }">
        <b>{{ day(t.done || t.day) }}</b>
        <span>{{ t.do.toLowerCase() }}</span>
        <span v-if="t.count && t.what !== 'up-by'" class="quiet">{{ taskAmount(t, say) }}</span>
        <span v-if="t.done" class="tick">✓</span>
      </li>
    </ol>
    <p v-if="s.spare || s.keep_back" class="quiet">
      <template v-if="s.spare">About {{ count(s.spare, 'start') }} to spare in a middling year. </template>
      <template v-if="s.keep_back"
        >Keep back {{ say(s.keep_back, 'g') }} of the seed for the sowings that follow.</template
      >
    </p>
    <div v-if="ribbon && s.feeds.length" class="ribbon">
      <MonthScale /><Ribbon :source="sources" :label="s.crop_name" />
    </div>
    <div v-if="!fixed" class="hand no-print">
      <label class="field"
        ><span>Begin on</span
        ><ElInput
          :model-value="s.date"
          type="date"
          size="small"
          :disabled="s.begun"
          aria-label="Begin on"
          @change="move"
      /></label>
      <label v-if="s.plants" class="field"
        ><span>Plants</span
        ><NumberInput :model-value="s.plants" label="Plants, counted by hand" @update:model-value="recount" />
        <span v-if="s.wants && s.wants !== s.plants" class="quiet">{{ s.wants }} wanted</span></label
      >
      <label v-if="crop && crop.methods.length > 1 && !s.begun" class="field way"
        ><span>Comes into the ground</span
        ><ElSelect
          :model-value="planting?.way ?? s.way"
          size="small"
          aria-label="Comes into the ground"
          @change="(w: Sowing['way']) => tell({ what: 'way', way: w })"
        >
          <ElOption v-for="m in crop.methods" :key="m" :value="m" :label="methodWords(m)" /> </ElSelect
      ></label>
      <button v-if="!s.set" type="button" class="link" @click="tell({ what: 'set' })">hold it where it is</button>
      <template v-else>
        <span
          ><b>{{ s.begun ? 'Begun' : 'Held by hand' }}</b></span
        >
        <button type="button" class="link" @click="letGo">
          {{ s.begun ? 'it was not: plan it again' : 'let it go: plan it again' }}
        </button>
      </template>
    </div>
    <p v-if="problem" class="wrong" role="alert">
      {{ wordsOf(problem) }}
    </p>
    <NotesOf :about="{ sowing: s.id, crop: s.crop, food }" :name="s.crop_name" closed />
  </div>
</template>

<style scoped>
.panel {
  padding: var(--space-3) 0 var(--space-4) var(--space-5);
  border-left: 3px solid var(--accent);
  color: var(--ink-2);
  background: var(--paper);
  max-width: 66rem;
}
.panel p + p {
  margin-top: var(--space-2);
}
.tasks {
  list-style: none;
  padding: 0;
  margin: var(--space-3) 0;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-6);
}
.tasks li {
  display: flex;
  gap: var(--space-3);
  align-items: baseline;
}
.tasks .tick {
  color: var(--fresh);
}
.tasks b {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  color: var(--ink);
}
.tasks .moot {
  text-decoration: line-through;
}
.ribbon {
  max-width: 34rem;
}
.hand {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  margin-top: var(--space-3);
}
.hand .field {
  width: 9rem;
}
.hand .way {
  width: 11rem;
}
</style>
