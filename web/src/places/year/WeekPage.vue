<script setup lang="ts">
// One week: what is eaten and from where, what comes in, what the kitchen does.
// A food's source for the week can be set by hand.
import { computed } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { sources, texture } from '../../lib/facts'
import { count, day, fullDay } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import Remedies from '../../parts/Remedies.vue'
import WeekFood from './WeekFood.vue'

const props = defineProps<{ week: number }>()
defineEmits<{ week: [n: number]; close: [] }>()
const store = useHousehold()
const { say, quantity } = useUnits()
const { data: page, wrong } = useAnswer(
  'week',
  () => props.week,
  (week, signal) => api.GET('/week', { params: { query: { week } }, signal }),
)

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
</script>

<template>
  <section class="week-page" aria-label="A week">
    <div class="top">
      <button type="button" class="link small no-print" @click="$emit('close')">‹ the year</button>
      <h2 v-if="page" tabindex="-1">{{ day(page.from) }} – {{ fullDay(page.to) }}</h2>
      <span v-if="page" class="quiet">{{ say(page.eaters, 'eaters') }} to feed</span>
      <span class="steps no-print">
        <button type="button" class="link" :disabled="week === 0" @click="$emit('week', week - 1)">
          a week back <kbd>[</kbd>
        </button>
        <button type="button" class="link" :disabled="week === 51" @click="$emit('week', week + 1)">
          a week forward <kbd>]</kbd>
        </button>
      </span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div v-if="page" class="columns">
      <div class="eaten">
        <h3>To eat this week</h3>
        <p v-if="!page.eaten.length" class="quiet">No wishes for this week.</p>
        <template v-for="g in groups" :key="g.title">
          <h4 :class="{ warn: g.loud }">{{ g.title }}</h4>
          <WeekFood v-for="e in g.rows" :key="e.wish" :food="e" :from="page.from" />
        </template>
      </div>
      <div class="side">
        <h3>Harvest</h3>
        <p v-if="!page.coming.length" class="quiet">Nothing to harvest.</p>
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
            <strong>{{ quantity(page.batches, 'batches').number }}</strong> of {{ say(page.can, 'batches') }} possible,
            {{ say(page.hours, 'hours') }} of work
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
          <Remedies v-if="over > 0" :of="{ week }" heading="What would help" />
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
  gap: var(--space-3) var(--space-6);
  align-items: baseline;
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-3);
}
.steps {
  margin-left: auto;
  display: flex;
  gap: var(--space-6);
}
h2 {
  font-size: var(--type-head);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 2.2fr) minmax(0, 1fr);
  gap: 0 var(--space-7);
  margin-top: var(--space-5);
}
h3 {
  font-size: var(--type-large);
  margin-top: var(--space-2);
}
.side h3 ~ h3 {
  margin-top: var(--space-6);
}
h4 {
  font-family: var(--sans);
  font-size: var(--type-small);
  font-weight: 600;
  margin: var(--space-4) 0 var(--space-1);
}
ul {
  list-style: none;
  margin: var(--space-2) 0 var(--space-4);
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-5);
  border-top: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
@container leaf (max-width: 860px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@container leaf (max-width: 620px) {
  kbd {
    display: none;
  }
}
</style>
