<script setup lang="ts">
// One sowing opened: why it lies where it does, its dated work, and what may be
// set by hand. The rest of the plan is reckoned around what is set.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api, type Problem, type Sowing, type SowingEvent } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { methodWords } from '../../lib/facts'
import { count, dated, day, taskAmount, years } from '../../lib/words'
import MonthScale from '../../parts/MonthScale.vue'
import NotesOf from '../../parts/NotesOf.vue'
import NumberInput from '../../parts/NumberInput.vue'
import Ribbon from '../../parts/Ribbon.vue'
import DateField from '../../parts/DateField.vue'

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
/** Whether its picking has begun, so that it can be asked how much of it was weighed. */
const picked = computed(() => !!s.value.first_pick && s.value.first_pick <= (store.plan?.as_of ?? ''))
const weighedWords = { '': 'as usual', all: 'all of it', most: 'most of it', half: 'about half', none: 'hardly any' }
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
  const beside = [
    c.earlier === null ? '' : `started 10 days earlier ${years(c.earlier)}`,
    c.later === null ? '' : `started 10 days later ${years(c.later)}`,
  ].filter(Boolean)
  return `Ready before the first frost ${years(c.in_time)}${beside.length ? '; ' + beside.join(', ') : ''}.`
})

const when = (iso?: string) => dated(iso, store.plan?.as_of)
const sources = computed(() => {
  const out: string[] = Array(52).fill('')
  for (const w of s.value.feeds) out[w] = s.value.form || ''
  return out
})
</script>

<template>
  <div class="panel small">
    <p>
      Earliest date: {{ s.first_why }}. Latest date: {{ s.last_why }}.
      <template v-if="s.plain_pick"
        >About {{ s.days }} days to harvest here ({{ when(s.first_pick) }}); by the seed packet
        {{ when(s.plain_pick) }}. The plan counts on it from {{ when(s.sure_pick) }}.
      </template>
      <template v-if="s.frost >= 0.005"> Frost after this date {{ years(s.frost) }}.</template>
      <template v-if="inTime">{{ inTime }} </template>
      Fails completely {{ years(s.loss_chance) }}.
    </p>
    <p v-if="s.set_why" class="warn">You chose a date outside its season: {{ s.set_why }}.</p>
    <p v-if="s.crosses" class="warn">
      Cross-pollination: {{ s.crosses }}.
      <button type="button" class="link" @click="letCross(true)">Allow this cross</button>
    </p>
    <p v-if="habit?.crosses" class="quiet">
      You allowed it to cross with other varieties.
      <button type="button" class="link" @click="letCross(false)">Keep it apart again</button>
    </p>
    <p v-if="s.merged">{{ s.merged.charAt(0).toUpperCase() + s.merged.slice(1) }}.</p>
    <p v-if="s.early">Early row: it may fail. The plan counts on it only after you record it as sown.</p>
    <ol v-if="s.tasks.length" class="tasks">
      <li v-for="t in s.tasks" :key="t.what" :class="{ done: t.done, moot: t.state === 'skipped' }">
        <b>{{ day(t.done || t.day) }}</b>
        <span>{{ t.do.toLowerCase() }}</span>
        <span v-if="t.count && t.what !== 'up-by'" class="quiet">{{ taskAmount(t, say) }}</span>
        <span v-if="t.done" class="tick">✓</span>
      </li>
    </ol>
    <p v-if="s.spare || s.keep_back" class="quiet">
      <template v-if="s.spare">About {{ count(s.spare, 'young plant') }} left over in an average year. </template>
      <template v-if="s.keep_back">Save {{ say(s.keep_back, 'g') }} of this seed for later sowings.</template>
    </p>
    <div v-if="ribbon && s.feeds.length" class="ribbon">
      <MonthScale /><Ribbon :source="sources" :label="s.crop_name" />
    </div>
    <div v-if="!fixed" class="hand no-print">
      <label class="field"
        ><span>Start date</span
        ><DateField :model-value="s.date" :disabled="s.begun" label="Start date" @update:model-value="move"
      /></label>
      <label v-if="s.plants" class="field"
        ><span>Plants</span
        ><NumberInput :model-value="s.plants" label="Number of plants, fixed by you" @update:model-value="recount" />
        <span v-if="s.wants && s.wants !== s.plants" class="quiet">{{ s.wants }} wanted</span></label
      >
      <label v-if="crop && crop.methods.length > 1 && !s.begun" class="field way"
        ><span>How to start it</span
        ><ElSelect
          :model-value="planting?.way ?? s.way"
          size="small"
          aria-label="How to start it"
          @change="(w: Sowing['way']) => tell({ what: 'way', way: w })"
        >
          <ElOption v-for="m in crop.methods" :key="m" :value="m" :label="methodWords(m)" /> </ElSelect
      ></label>
      <label v-if="s.begun && picked" class="field way"
        ><span>Was it weighed?</span
        ><ElSelect
          :model-value="planting?.weighed ?? ''"
          size="small"
          aria-label="Was it weighed?"
          :empty-values="[null, undefined]"
          @change="(w: SowingEvent['weighed']) => tell({ what: 'weighed', weighed: w })"
        >
          <ElOption v-for="(words, w) in weighedWords" :key="w" :value="w" :label="words" /> </ElSelect
      ></label>
      <button v-if="!s.set" type="button" class="link" @click="tell({ what: 'set' })">Fix this date</button>
      <template v-else>
        <span
          ><b>{{ s.begun ? 'Started' : 'Fixed by you' }}</b></span
        >
        <button type="button" class="link" @click="letGo">
          {{ s.begun ? 'Not sown after all: plan it again' : 'Let the plan choose again' }}
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
