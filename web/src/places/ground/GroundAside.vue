<script setup lang="ts">
// What is open about the ground: crops that stand in a bed nobody has named, what was moved
// since the plan was agreed, and what has found no ground, with what would help.
import { computed, ref } from 'vue'
import { leftOut, useGround, useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day as short, fullDay } from '../../lib/words'
import FallsFree from './FallsFree.vue'
import GroundRemedies from './GroundRemedies.vue'

defineEmits<{ pick: [sowing: string]; free: [bed: string, day: string] }>()
const store = useHousehold()
const ground = useGround()
const whereIs = useWhere()
const { say } = useUnits()
const layout = computed(() => ground.layout)
const left = computed(() => leftOut(layout.value, store.plan))
/** So many crops that nobody has said the bed of are shown at once. */
const few = 6
const allLeft = ref(false)
/** The weeks in which most is short. */
const worst = computed(() => {
  const weeks = (layout.value?.weeks ?? []).filter((w) => w.short > 0.05)
  if (!weeks.length) return undefined
  const peak = weeks.reduce((a, b) => (b.short > a.short ? b : a))
  return { first: weeks[0]!.day, last: weeks[weeks.length - 1]!.day, peak }
})
/** What stands elsewhere than it was agreed to. */
const moved = computed(() => (layout.value?.pieces ?? []).filter((p) => p.was))

/** Whether a plan is agreed to: its places are held until the agreement is taken back in Sowings. */
const agreed = computed(() => store.household?.agreed?.year === store.household?.year)
/** Lets go of what is held, but for what stands and what was put by hand: all else is laid anew. */
async function anew() {
  const customs = store.household?.customs
  if (customs) await store.edit({ command: 'set-customs', customs: { ...customs, arranged: undefined } })
}
</script>

<template>
  <div>
    <details v-if="ground.unsaid.length" class="small unsaid" :open="ground.unsaid.length <= few">
      <summary>
        {{ count(ground.unsaid.length, 'crop is', 'crops are') }} growing already. Which bed is each in?
      </summary>
      <p v-for="s in ground.unsaid" :key="s.id" :data-unsaid="s.id">
        <button type="button" class="plain crop" @click="$emit('pick', s.id)">{{ s.crop_name }}</button>
        {{ whereIs(s.id) || 'no room' }}?
        <button v-if="whereIs(s.id)" type="button" class="link" @click="store.stays(s.id)">Yes</button>
        <button type="button" class="link" @click="$emit('pick', s.id)">Another bed</button>
      </p>
    </details>
    <details v-if="moved.length" class="small" data-moved>
      <summary>{{ count(moved.length, 'planting has', 'plantings have') }} another bed than before</summary>
      <p v-for="p in moved" :key="p.planting + p.at">
        <button type="button" class="plain crop" @click="$emit('pick', p.planting)">
          {{ ground.names.get(p.planting) }}
        </button>
        from {{ ground.bedName(p.was ?? '') }} to {{ ground.bedName(p.bed) }}
      </p>
    </details>
    <p v-if="layout?.held" class="small quiet" data-held>
      Beds are kept: a new entry moves another crop only when it must.
      <template v-if="agreed">They start from the plan you kept.</template>
      <button v-else type="button" class="link" @click="anew">Choose all beds again</button>
    </p>
    <template v-if="left.length">
      <h3 class="warn">No room for</h3>
      <p v-if="worst" class="small quiet">
        Short from {{ fullDay(worst.first) }} to {{ fullDay(worst.last) }}, most in the week of
        {{ short(worst.peak.day) }}: {{ say(worst.peak.short, 'm²') }}.
      </p>
      <ul class="left small">
        <li v-for="l in allLeft ? left : left.slice(0, 6)" :key="l.planting" :data-left="l.planting">
          <button type="button" class="plain crop" @click="$emit('pick', l.planting)">{{ l.s?.crop_name }}</button>
          <span class="need">{{ say(l.need, 'm²') }} weeks</span>
          <span class="quiet"
            >{{ short(l.s?.date) }},
            {{
              l.laid
                ? `${l.laid} of ${count(l.laid + l.planted, 'plant')} lie, ${l.planted} are short`
                : count(l.planted, 'plant')
            }}: {{ l.why }}</span
          >
        </li>
      </ul>
      <button v-if="left.length > 6" type="button" class="link small" @click="allLeft = !allLeft">
        {{ allLeft ? 'fewer' : `all ${left.length}` }}
      </button>
      <GroundRemedies />
    </template>
    <p v-else class="small quiet">
      Everything has room. Press a bed to see its free space and what still fits. Press a crop to see why it is there.
    </p>
    <FallsFree v-if="layout?.frees.length" :frees="layout.frees" @show="(bed, day) => $emit('free', bed, day)" />
  </div>
</template>

<style scoped>
.unsaid .link + .link {
  margin-left: var(--space-4);
}
.left {
  list-style: none;
  padding: 0;
  margin: 0 0 var(--space-3);
}
.left li {
  display: grid;
  grid-template-columns: 1fr auto;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
.left li .quiet {
  grid-column: 1 / -1;
}
.crop,
.need {
  font-family: var(--serif);
  font-weight: 600;
  font-variant-numeric: tabular-nums lining-nums;
}
.crop {
  font-size: var(--type-body);
}
</style>
