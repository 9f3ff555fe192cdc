<script setup lang="ts">
// One week: what is eaten and from where, what comes in, what the kitchen does.
// A food's source for the week can be set by hand.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { answer, api, Refused, type Eaten, type Week } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { sources, sourceWords, texture } from '../../lib/facts'
import { count, day, fullDay } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import WaysList from '../../parts/WaysList.vue'

const props = defineProps<{ week: number }>()
defineEmits<{ week: [n: number]; close: [] }>()
const store = useHousehold()
const { say, quantity } = useUnits()
const page = ref<Week>()
const wrong = ref('')
const pinning = ref('') // the wish whose source for the week is being chosen
let asked = 0

async function load() {
  const mine = ++asked
  try {
    const w = await answer(() => api.GET('/week', { params: { query: { week: props.week } } }))
    if (mine === asked) {
      page.value = w
      wrong.value = ''
    }
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (mine === asked) wrong.value = e.problem.detail
  }
}
watch([() => props.week, () => store.state?.revision], load, { immediate: true })

const groups = computed(() => {
  const eaten = page.value?.eaten ?? []
  return [...sources()]
    .sort((a, b) => Number(b.source === 'gap') - Number(a.source === 'gap'))
    .map((s) => ({
      title: s.title,
      rows: eaten.filter((e) => texture(e.source) === s.source),
      loud: s.source === 'gap',
    }))
    .filter((g) => g.rows.length)
})

const over = computed(() => store.plan?.kitchen.over[props.week] ?? 0)

/** Pins the week of a food to a source, or takes the pin off. */
async function pin(e: Eaten, source: string) {
  const wish = store.household?.wishes.find((w) => w.id === e.wish)
  const from = page.value?.from
  if (!wish || !from) return
  const inWeek = (d: string) => {
    const start = Date.parse(from)
    const year = Number(from.slice(0, 4))
    return [year, year + 1].some((y) => {
      const days = (Date.parse(`${y}-${d}`) - start) / 86400000
      return days >= 0 && days < 7
    })
  }
  const pins = (wish.pins ?? []).filter((p) => !inWeek(p.day))
  // The middle of the week: 29 February moves its first day.
  const middle = new Date(Date.parse(from) + 3 * 86400000).toISOString().slice(5, 10)
  if (source) pins.push({ day: middle, source })
  pinning.value = ''
  const p = await store.edit({ command: 'change-wish', wish: { ...wish, pins } })
  wrong.value = p?.detail ?? ''
}
</script>

<template>
  <section class="week-page" aria-label="A week">
    <div class="top">
      <button type="button" class="link small no-print" @click="$emit('close')">‹ the year</button>
      <h2 v-if="page" tabindex="-1">{{ day(page.from) }} – {{ fullDay(page.to) }}</h2>
      <span v-if="page" class="quiet">{{ say(page.eaters, 'eaters') }} at the table</span>
      <span class="steps no-print">
        <button type="button" class="link" :disabled="week === 0" @click="$emit('week', week - 1)">
          a week back <kbd>[</kbd>
        </button>
        <button type="button" class="link" :disabled="week === 51" @click="$emit('week', week + 1)">
          a week on <kbd>]</kbd>
        </button>
      </span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div v-if="page" class="columns">
      <div class="eaten">
        <h3>On the table</h3>
        <p v-if="!page.eaten.length" class="quiet">Nothing is wished for this week.</p>
        <template v-for="g in groups" :key="g.title">
          <h4 :class="{ warn: g.loud }">{{ g.title }}</h4>
          <div v-for="e in g.rows" :key="e.wish" class="food" :data-eaten="e.wish" :data-source="e.source">
            <svg viewBox="0 0 16 12" width="16" height="12" aria-hidden="true">
              <rect
                x="1"
                y="1"
                width="14"
                height="10"
                :class="['w', texture(e.source), { 'w-gap-box': e.source === 'gap' }]"
              />
            </svg>
            <span class="name">{{ e.title }}</span>
            <span class="number">{{ say(Math.round(e.amount * 100) / 100, e.unit) }}</span>
            <span class="from small">
              <template v-if="e.from"
                ><Figure :value="e.take" :unit="e.take_unit" :figure="e.figure" :label="e.title" />
                {{ e.source === 'fresh' ? 'of' : 'from' }} {{ e.from }}</template
              >
              <span v-if="e.ahead !== e.source" class="warn"
                >{{ e.from ? ' · ' : ''
                }}{{
                  e.ahead === 'gap'
                    ? 'not yet on the shelf this coming year'
                    : 'this coming year ' + sourceWords(e.ahead)
                }}</span
              >
            </span>
            <ElSelect
              v-if="pinning === e.wish"
              class="no-print"
              size="small"
              :model-value="e.pinned ? e.source : ''"
              :aria-label="'Where ' + e.title + ' comes from this week'"
              :empty-values="[null, undefined]"
              @update:model-value="(s: string) => pin(e, s)"
            >
              <ElOption value="" label="by your order" />
              <ElOption v-for="s in e.sources" :key="s" :value="s" :label="sourceWords(s)" />
            </ElSelect>
            <button
              v-else
              type="button"
              class="link small pin no-print"
              :class="{ set: e.pinned }"
              :aria-label="`Pin ${e.title} this week`"
              @click="pinning = e.wish"
            >
              {{ e.pinned ? 'pinned' : 'pin' }}
            </button>
          </div>
        </template>
      </div>
      <div class="side">
        <h3>Coming in</h3>
        <p v-if="!page.coming.length" class="quiet">Nothing is picked or lifted.</p>
        <ul>
          <li v-for="c in page.coming" :key="c.sowing">
            <span>{{ c.crop }}</span>
            <Figure
              :value="c.pieces >= 1 ? Math.round(c.pieces) : c.kg"
              :unit="c.pieces >= 1 ? 'pieces' : 'kg'"
              :figure="`sowing/${c.sowing}/likely`"
              :label="c.crop"
            />
          </li>
        </ul>
        <h3>In the kitchen</h3>
        <p v-if="!page.kitchen.length" class="quiet">Nothing is put up.</p>
        <template v-else>
          <p class="sum" :class="{ warn: over > 0 }">
            <strong>{{ quantity(page.batches, 'batches').number }}</strong> of {{ say(page.can, 'batches') }} that the
            kitchen can do, {{ say(page.hours, 'hours') }} hands on
          </p>
          <ul>
            <li v-for="b in page.kitchen" :key="b.wish">
              <span>{{ b.title }}</span>
              <span
                ><Figure :value="b.batches" unit="batches" :figure="`wish/${b.wish}/hours`" :label="b.title" />,
                {{ say(b.kg, 'kg') }}</span
              >
            </li>
          </ul>
          <WaysList v-if="over > 0" :week="week" />
        </template>
        <p class="small quiet">{{ count(page.eaten.filter((e) => e.source === 'gap').length, 'gap') }} this week.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.2rem;
  align-items: baseline;
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: 0.3rem;
}
.steps {
  margin-left: auto;
  display: flex;
  gap: 1rem;
}
h2 {
  font-size: 1.35rem;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 2.2fr) minmax(0, 1fr);
  gap: 0 2.4rem;
  margin-top: 0.7rem;
}
h3 {
  font-size: 1.1rem;
  margin-top: 0.2rem;
}
.side h3 ~ h3 {
  margin-top: 1.1rem;
}
h4 {
  font-family: var(--sans);
  font-size: 0.87rem;
  font-weight: 600;
  margin: 0.6rem 0 0.1rem;
}
.food {
  display: grid;
  grid-template-columns: 16px minmax(8rem, 1.4fr) 5.6rem minmax(8rem, 1.7fr) 9rem;
  gap: 0 0.7rem;
  align-items: center;
  border-top: 1px solid var(--hair);
  min-height: 29px;
}
.name {
  font-family: var(--serif);
}
.number {
  text-align: right;
  white-space: nowrap;
}
.pin {
  justify-self: end;
}
.pin.set {
  font-weight: 650;
}
.from {
  color: var(--ink-2);
}
ul {
  list-style: none;
  margin: 0.2rem 0 0.5rem;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 0.8rem;
  border-top: 1px solid var(--hair);
  padding: 0.15rem 0;
}
@container leaf (max-width: 860px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@container leaf (max-width: 620px) {
  .food {
    grid-template-columns: 16px minmax(0, 1fr) auto;
    padding: 0.35rem 0;
  }
  .food .from {
    grid-column: 2 / -1;
  }
  .food .pin,
  .food .el-select {
    grid-column: 2 / -1;
    justify-self: start;
  }
  .food .pin {
    padding: 0.35rem 0;
  }
  .food .el-select {
    width: 100%;
  }
  kbd {
    display: none;
  }
}
</style>
