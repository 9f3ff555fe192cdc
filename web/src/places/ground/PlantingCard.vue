<script setup lang="ts">
// One sowing on the ground: where it stands and when, its counts, what came before
// and comes next, why it stands there, and how it would do in every other bed.
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import type { Choice, Piece, Problem } from '../../lib/api'
import { useGround, useLook, useMoving } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count, dated, serves } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import NotesOf from '../../parts/NotesOf.vue'

const props = defineProps<{ sowing: string; pieces: Piece[] }>()
const emit = defineEmits<{ close: [] }>()
const store = useHousehold()
const today = computed(() => store.plan?.as_of)
const ground = useGround()
const moving = useMoving()
const { say, render } = useUnits()
const refused = ref<Problem>()
const wanted = ref('')
const { data: look, problem: missing } = useLook(() => props.sowing)
const problem = computed(() => refused.value ?? missing.value)
const all = ref(false)

watch(
  () => props.sowing,
  () => {
    refused.value = undefined
    wanted.value = ''
    all.value = false
  },
)

const s = computed(() => store.plan?.sowings.find((x) => x.id === props.sowing))
const mine = computed(() => props.pieces.filter((p) => p.planting === props.sowing))
const held = computed(() => store.household?.placements.some((p) => p.sowing === props.sowing))
/** What lies on some of the same ground, the last before and the first after. */
const beside = computed(() => {
  const shares = (a: Piece, b: Piece) =>
    a.bed === b.bed && a.at < b.at + b.length - 0.001 && b.at < a.at + a.length - 0.001
  const others = props.pieces.filter((p) => mine.value.some((m) => shares(m, p)) && p.planting !== props.sowing)
  const before = others
    .filter((p) => mine.value.some((m) => p.to <= m.from))
    .sort((a, b) => b.to.localeCompare(a.to))[0]
  const after = others
    .filter((p) => mine.value.some((m) => p.from >= m.to))
    .sort((a, b) => a.from.localeCompare(b.from))[0]
  const stands = (store.household?.beds ?? []).flatMap((b) =>
    (b.stands ?? []).filter((x) =>
      mine.value.some((m) => m.bed === b.id && m.at < x.at + x.length - 0.001 && x.at < m.at + m.length - 0.001),
    ),
  )[0]
  return { before, after, stands }
})
const choices = computed(() => (look.value?.choices ?? []).filter((c) => !mine.value.some((m) => m.bed === c.bed)))
const shown = computed(() => (all.value ? choices.value : choices.value.slice(0, 3)))

function words(c: Choice): string {
  if (c.refused) return render(c.refused)
  if (c.bend) return `same family there in ${c.bend}`
  const against = c.faults.length ? render(c.faults.join(', ')) : 'no drawbacks'
  return c.free.length ? `free; ${against}` : `possible, other crops would have to move; ${against}`
}
async function put(bed: string, bend: boolean) {
  wanted.value = bed
  refused.value = await store.place(props.sowing, bed, bend)
}
async function letGo() {
  refused.value = await store.edit({ command: 'remove-placement', target: props.sowing })
}
/** What is in the way, in the binary's own words; only the rotation may be bent. */
const refusal = computed(() => problem.value?.fields?.[0])
const food = computed(() => store.reference?.foods.find((f) => f.kinds.some((k) => k.id === s.value?.crop))?.name)
const base = computed(() => `sowing/${props.sowing}`)
</script>

<template>
  <aside v-if="s" class="card" :data-card="sowing" aria-label="A crop in its bed">
    <h3>
      {{ s.crop_name }}
      <button type="button" class="link small" @click="emit('close')">Close</button>
    </h3>
    <p class="small">
      <Figure :value="s.plants" :figure="base + '/plants'" label="plants" /> plants for {{ serves(s).toLowerCase() }};
      {{ s.method === 'raised' ? 'sown indoors' : 'started' }} {{ dated(s.date, today)
      }}<template v-if="s.plant_out && s.plant_out !== s.date">, out {{ dated(s.plant_out, today) }}</template
      ><template v-if="s.first_pick"
        >, picked {{ dated(s.first_pick, today) }} to {{ dated(s.last_pick, today) }}</template
      >.
    </p>
    <ul v-if="mine.length" class="where">
      <li v-for="p in mine" :key="p.bed + p.at">
        <b>{{ ground.bedName(p.bed) }}</b>, {{ say(p.length, 'm') }} from {{ say(p.at, 'm') }} on,
        {{ dated(p.from, today) }} to {{ dated(p.to, today) }};
        {{
          p.across
            ? `rows ${say(p.line * 100, 'cm')} apart, across`
            : `${count(p.lines, 'row')} ${say(p.line * 100, 'cm')} apart`
        }}, {{ say(p.plant * 100, 'cm') }} in the row
        <span v-if="p.held" class="by-hand">{{ p.stands ? 'it grows here' : 'fixed by you' }}</span>
        <span v-if="p.with" class="by-hand">between {{ ground.names.get(p.with) }}</span>
        <span v-if="p.was" class="warn">moved from {{ ground.bedName(p.was) }}</span>
        <span v-if="p.bent" class="warn">exception: same family here in {{ p.bent }}</span>
        <span v-for="f in p.faults ?? []" :key="f" class="warn">{{ render(f) }}</span>
      </li>
    </ul>
    <p v-else class="warn">There is no room for it.</p>
    <p class="quiet small">
      <template v-if="beside.before"
        >Before it: {{ ground.names.get(beside.before.planting) }}, until {{ dated(beside.before.to, today) }}.
      </template>
      <template v-else-if="beside.stands"
        >Before it: {{ beside.stands.name }}, until {{ dated(beside.stands.until, today) }}.
      </template>
      <template v-if="beside.after"
        >Next: {{ ground.names.get(beside.after.planting) }}, from {{ dated(beside.after.from, today) }}.</template
      >
    </p>
    <p v-if="problem && !wanted" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
    <NotesOf
      :key="sowing"
      class="small"
      :about="{ sowing, crop: s.crop, food, bed: mine[0]?.bed }"
      :name="s.crop_name"
      closed
    />
    <details v-if="look?.why.length" class="why small" open>
      <summary>Why here</summary>
      <ul>
        <li v-for="w in look.why" :key="w">{{ render(w) }}</li>
      </ul>
    </details>
    <div v-if="choices.length" class="else no-print small">
      <h4>Other beds</h4>
      <ul>
        <li v-for="c in shown" :key="c.bed" :data-choice="c.bed">
          <b>{{ c.name }}</b>
          <span :class="c.refused || c.bend ? 'warn' : 'quiet'">{{ words(c) }}</span>
          <button
            v-if="!c.refused"
            type="button"
            class="link"
            :aria-label="`Move it to ${c.name}`"
            @click="put(c.bed, false)"
          >
            Move it here
          </button>
          <p v-if="problem && wanted === c.bed" class="wrong" role="alert">
            {{ wordsOf(problem) }}
            <ElButton v-if="refusal?.field === 'bend'" size="small" @click="put(c.bed, true)"
              >Allow it here this year</ElButton
            >
          </p>
        </li>
      </ul>
      <p class="acts">
        <button v-if="choices.length > 3" type="button" class="link" @click="all = !all">
          {{ all ? 'fewer' : `all ${choices.length} beds` }}
        </button>
        <button v-if="mine[0]" type="button" class="link" @click="moving.begin(mine[0])">Move it by keys</button>
        <button v-if="held" type="button" class="link" @click="letGo">Let the plan choose the bed</button>
      </p>
    </div>
  </aside>
</template>

<style scoped>
.card {
  border-left: 3px solid var(--accent);
  background: var(--sheet);
  padding: var(--space-4) var(--space-5) var(--space-4);
}
h3 {
  display: flex;
  gap: var(--space-5);
  align-items: baseline;
  font-size: var(--type-large);
}
h3 .link {
  margin-left: auto;
}
h4 {
  margin: var(--space-4) 0 0;
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-text);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.where .warn,
.by-hand {
  display: block;
  padding-left: var(--space-5);
}
.by-hand {
  font-style: italic;
}
.why {
  margin-top: var(--space-4);
}
summary {
  cursor: pointer;
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-text);
}
.else li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  align-items: baseline;
  border-top: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.else li .link {
  margin-left: auto;
}
.else .wrong {
  flex-basis: 100%;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  border-top: 1px solid var(--hair);
  padding-top: var(--space-3);
}
</style>
