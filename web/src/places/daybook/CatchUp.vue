<script setup lang="ts">
// Catch up: everything that the plan had to begin and that nobody has put down, by day, as
// on the printed sheet. Many lines at a press; what follows is shown before it is taken.
import { ElButton, ElCheckbox } from 'element-plus'
import { computed, ref, watch } from 'vue'
import type { SowingEvent } from '../../lib/api'
import { undone, type Undone } from '../../lib/daybook'
import { useForesight } from '../../lib/foresight'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { count, day } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import NumberInput from '../../parts/NumberInput.vue'
import ForesightPanel from '../../parts/ForesightPanel.vue'
import { useGroups } from './groups'
import DateField from '../../parts/DateField.vue'

const store = useHousehold()
const { change, found, wrong, propose, drop } = useForesight()
const refused = ref('')
const lines = computed(() => (store.plan ? undone(store.plan) : []))
const { by, orders, beds, groups } = useGroups(() => lines.value)
const chosen = ref(new Set<string>())
const picked = computed(() => lines.value.filter((l) => chosen.value.has(l.id)))
const on = ref('')
watch(
  () => store.plan?.as_of,
  (today) => (on.value = today ?? ''),
  { immediate: true },
)
const what = ref('')
/** How much of the chosen sowings was begun, plants in a hundred. */
const share = ref<number | undefined>(100)
const part = computed(() => (share.value && share.value < 100 ? share.value : undefined))
const some = computed(() => (part.value ? `, ${part.value} of 100 plants` : ''))

function pick(l: Undone, yes: boolean) {
  const next = new Set(chosen.value)
  if (yes) next.add(l.id)
  else next.delete(l.id)
  chosen.value = next
  drop()
}
/** Chooses the lines of one bed beside those that are chosen. */
function pickOf(more: Undone[]) {
  chosen.value = new Set([...chosen.value, ...more.map((l) => l.id)])
  drop()
}
function pickAll(yes: boolean) {
  chosen.value = new Set(yes ? lines.value.map((l) => l.id) : [])
  drop()
}

/** Asks what would follow if all the chosen lines were put down alike. */
function ask(words: string, event: Omit<SowingEvent, 'sowing'>) {
  refused.value = ''
  what.value = `${count(picked.value.length, 'sowing')}: ${words}`
  propose({ command: 'log-all', events: picked.value.map((l) => ({ sowing: l.id, ...event })) })
}
const asPlanned = () => ask(`done on the planned days${some.value}`, { what: 'as-planned', count: part.value })
const onDay = () =>
  ask(`done on ${day(on.value)}${some.value}`, { what: 'as-planned', day: on.value, count: part.value })
const letBe = () => ask('not done, and left out: the weeks they were to feed become gaps', { what: 'let-be' })
const notDone = () => ask('not done; planned again from today', { what: 'ended', day: store.plan?.as_of })

async function take() {
  const events = change.value?.events
  if (!events) return
  const p = await store.logAll(events)
  refused.value = wordsOf(p)
  if (p) return
  chosen.value = new Set()
  drop()
}
</script>

<template>
  <section class="catch-up">
    <div class="place-bar">
      <h2 tabindex="-1">Catch up</h2>
      <p class="quiet small">
        These sowings were planned until today and nobody has recorded them. For some days they count as done. After
        that the plan goes on without them and uses what can still be sown.
      </p>
      <ChoiceButtons
        v-if="lines.length && store.household?.beds.length"
        v-model="by"
        label="Order of the sowings"
        :options="orders"
      />
      <RouterLink to="/daybook" class="small">Back to the Daybook</RouterLink>
    </div>
    <p v-if="!lines.length" class="empty">Nothing is overdue. Everything planned until today is recorded.</p>
    <template v-else>
      <div class="act" role="group" aria-label="What happened to the chosen sowings">
        <span class="small"
          ><b>{{ picked.length }}</b> of {{ count(lines.length, 'sowing') }} chosen</span
        >
        <button type="button" class="link small" @click="pickAll(true)">All</button>
        <button type="button" class="link small" @click="pickAll(false)">None</button>
        <span class="share small"><NumberInput v-model="share" label="How many of 100 plants" /> of 100 plants</span>
        <ElButton size="small" :disabled="!picked.length" @click="asPlanned">Done as planned</ElButton>
        <span class="on"
          ><DateField v-model="on" label="Done on" /><ElButton
            size="small"
            :disabled="!picked.length || !on"
            @click="onDay"
            >Done on this day</ElButton
          ></span
        >
        <ElButton size="small" :disabled="!picked.length" @click="notDone">Not done: plan it again from today</ElButton>
        <ElButton size="small" :disabled="!picked.length" @click="letBe">Not done: leave it out</ElButton>
      </div>
      <ForesightPanel v-if="change" :found="found" :what="what" @take="take" @leave="drop" />
      <p v-if="refused || wrong" class="wrong small" role="alert">{{ refused || wrong }}</p>
      <section v-for="m in groups" :key="m.name" :aria-label="m.name">
        <h3>
          {{ m.name }}
          <button v-if="by === 'bed'" type="button" class="link small" @click="pickOf(m.entries)">Select these</button>
        </h3>
        <ul>
          <li v-for="l in m.entries" :key="l.id" :data-undone="l.id" @click="pick(l, !chosen.has(l.id))">
            <ElCheckbox
              :model-value="chosen.has(l.id)"
              :aria-label="`${l.crop} of ${day(l.date)}`"
              @click.stop
              @update:model-value="(yes) => pick(l, !!yes)"
            />
            <b class="date">{{ day(l.date) }}</b>
            <span class="crop">{{ l.crop }}</span>
            <span class="quiet small">{{ l.for }}{{ beds.get(l.id) ? `; ${beds.get(l.id)}` : '' }}</span>
            <span class="small" :class="l.counts ? 'quiet' : 'warn'">{{
              l.counts
                ? 'counts as done for now'
                : l.weeks
                  ? `no longer counted; it was planned to feed ${count(l.weeks, 'week')}`
                  : 'no longer counted'
            }}</span>
          </li>
        </ul>
      </section>
    </template>
  </section>
</template>

<style scoped>
.place-bar p {
  flex: 1;
}
.act {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3) var(--space-5);
  padding: var(--space-4) 0;
  background: var(--paper);
  border-bottom: 1px solid var(--ink-2);
}
.act .el-button + .el-button {
  margin-left: 0;
}
.share {
  display: flex;
  gap: var(--space-3);
  align-items: center;
}
.share .number-input {
  width: 3.4rem;
}
.on {
  display: flex;
  gap: var(--space-3);
  align-items: center;
}
.on .el-input {
  width: 9.5rem;
}
h3 .link {
  margin-left: var(--space-4);
  font-family: var(--sans);
  font-size: var(--type-small);
  font-weight: 400;
}
h3 {
  padding: var(--space-5) 0 var(--space-1);
  font-size: var(--type-large);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1.4rem 4rem minmax(8rem, 1fr) minmax(8rem, 2fr) 17rem;
  gap: var(--space-4);
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-2) 0;
  cursor: pointer;
}
.date,
.crop {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
.crop {
  font-weight: 600;
}
.warn {
  color: var(--accent);
}
.empty {
  padding: var(--space-7) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
@container leaf (max-width: 620px) {
  .place-bar p {
    flex-basis: 100%;
    order: 1;
  }
  li {
    grid-template-columns: 2rem 4rem minmax(0, 1fr);
    row-gap: var(--space-1);
    padding: var(--space-4) 0;
  }
  li .small {
    grid-column: 3;
  }
}
</style>
