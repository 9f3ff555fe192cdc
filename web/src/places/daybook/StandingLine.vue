<script setup lang="ts">
// A sowing that is in the ground or on the shelf indoors: what is seen of it.
import { computed, ref } from 'vue'
import type { Problem, Sowing } from '../../lib/api'
import { useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useOutlook } from '../../lib/outlooks'
import { useUnits } from '../../lib/units'
import { count, dated, day } from '../../lib/words'
import LossForm from '../../parts/LossForm.vue'
import StandCount from './StandCount.vue'

const props = defineProps<{ sowing: Sowing }>()
const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const opened = ref<boolean>()
const losing = ref(false)
const s = computed(() => props.sowing)
const outlook = useOutlook()
const whereIs = useWhere()
const place = computed(() => (s.value.in_bed ? whereIs(s.value.id) : ''))
const today = computed(() => store.plan?.as_of ?? '')

const task = (what: string) => s.value.tasks.find((t) => t.what === what)
const up = computed(() => task('up-by')?.done)
const picking = computed(() => !!s.value.first_pick && s.value.first_pick <= today.value)

const state = computed(() => {
  const x = s.value
  if (picking.value)
    return x.last_pick && x.last_pick > today.value ? `ready, until ${dated(x.last_pick, today.value)}` : 'ready'
  if (x.up_by && !up.value && x.method !== 'stock')
    return x.up_by < today.value ? `no seedlings by ${day(x.up_by)}` : `up by ${day(x.up_by)}`
  return x.first_pick ? `ready about ${dated(x.first_pick, today.value)}` : `clear on ${dated(x.clear, today.value)}`
})

/** Open where one should look: it should be up, or is ready. */
const open = computed(
  () =>
    opened.value ??
    (!!s.value.up_by && !up.value && !picking.value && s.value.method !== 'stock' && s.value.up_by <= today.value),
)

async function say_(event: { what: 'share' | 'behind' | 'done' | 'ready'; count?: number; task?: string }) {
  problem.value = await store.log({ sowing: s.value.id, day: today.value, ...event })
}
</script>

<template>
  <li class="standing" :data-standing="s.id">
    <button type="button" class="plain what" :aria-expanded="open" @click="opened = !open">
      <span class="crop">{{ s.crop_name }}</span>
      <span class="more small"
        >{{ s.method === 'raised' || s.method === 'direct' || s.method === 'tray' ? 'sown' : 'planted' }}
        {{ dated(s.date, today) }}, {{ s.plants ? count(s.plants, 'plant') : say(s.area, 'm²')
        }}{{ s.wants > s.plants ? ` of ${s.wants} wanted` : ''
        }}{{ s.behind > 0 ? `, ${count(s.behind, 'day')} behind` : '' }}{{ place ? `; ${place}` : '' }}</span
      >
      <span v-if="outlook(s.id)" class="more small" data-outlook>{{ outlook(s.id) }}</span>
    </button>
    <span class="state">{{ state }}</span>
    <div v-if="open" class="seen">
      <template v-if="!up && !picking && s.up_by && s.method !== 'stock'">
        <button type="button" class="chip" @click="say_({ what: 'done', task: 'up-by' })">all came up</button>
        <button type="button" class="chip" @click="say_({ what: 'share', count: 50 })">half came up</button>
        <button type="button" class="chip" @click="losing = true">nothing came up</button>
      </template>
      <template v-else>
        <button v-if="!picking" type="button" class="chip" @click="say_({ what: 'ready' })">ready today</button>
        <button v-if="!picking" type="button" class="chip" @click="say_({ what: 'behind', count: 7 })">
          a week behind
        </button>
        <button v-if="!picking" type="button" class="chip" @click="say_({ what: 'behind', count: 21 })">
          three weeks behind
        </button>
        <button type="button" class="chip" @click="losing = true">some or all failed</button>
      </template>
    </div>
    <StandCount v-if="open && !picking && s.method !== 'stock'" class="seen-loss" :sowing="s" />
    <LossForm v-if="open && losing" class="seen-loss" :sowings="[s]" @done="losing = false" @leave="losing = false" />
    <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
  </li>
</template>

<style scoped>
.standing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: var(--space-1) var(--space-5);
  border-bottom: 1px solid var(--hair);
  padding: var(--space-3) 0;
}
.what {
  text-align: left;
}
.crop {
  font-family: var(--serif);
  font-weight: 600;
}
.more {
  display: block;
  color: var(--ink-2);
}
.state {
  text-align: right;
  font-family: var(--serif);
}
.seen {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
.seen-loss {
  grid-column: 1 / -1;
}
.chip {
  border: 1px solid var(--hair-2);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: var(--type-small);
  padding: var(--space-1) var(--space-4);
  border-radius: 2px;
  cursor: pointer;
}
.chip:hover {
  border-color: var(--ink);
}
.wrong {
  grid-column: 1 / -1;
}
@media (max-width: 720px) {
  .chip {
    padding: var(--space-4) var(--space-5);
    font-size: var(--type-text);
  }
}
</style>
