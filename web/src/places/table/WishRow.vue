<script setup lang="ts">
// One wish: what is wanted, its ribbon, and what it costs.
import { computed } from 'vue'
import type { FedWish, PlanWish, Wish } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count, priorityWords } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import Ribbon from '../../parts/Ribbon.vue'
import AmountField from './AmountField.vue'

const props = defineProps<{ wish: Wish; plan: PlanWish; open: boolean }>()
const emit = defineEmits<{ edit: []; move: [step: number]; remove: [] }>()
const { render, say } = useUnits()
const ground = useGround()

const lacks = computed(() => ground.shortOf(props.plan.id))
const short = computed(
  () => props.plan.weeks_wanted - (lacks.value?.weeks_fed ?? props.plan.weeks_fed) - props.plan.weeks_bought,
)
const rest = computed(() =>
  props.plan.words
    .split(' · ')
    .slice(2)
    .filter((x) => x !== priorityWords[props.wish.priority])
    .join(', '),
)
const harvested = computed(() => {
  const own = props.plan.uses.filter((u) => u.form && !u.part && u.harvested > 0)
  return own.length === 1 ? `${own[0]?.figure}/harvested` : `wish/${props.plan.id}/harvested`
})

/** What a wish loses for want of ground. */
function noGround(of: FedWish) {
  const weeks = props.plan.weeks_fed - of.weeks_fed
  const jars = props.plan.to_fill - of.jars
  const lost = [weeks ? count(weeks, 'week') : '', jars ? count(jars, 'jar') : ''].filter(Boolean).join(' and ')
  return `No room for ${lost} of it.`
}

function key(e: KeyboardEvent) {
  if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
    e.preventDefault()
    emit('move', e.key === 'ArrowUp' ? -1 : 1)
  } else if (e.key === 'Delete') {
    e.preventDefault()
    emit('remove')
  }
}
</script>

<template>
  <div class="wish row-grid" data-row :data-wish="plan.id" :class="{ open }">
    <div class="what">
      <button type="button" class="plain title" :aria-expanded="open" @click="$emit('edit')" @keydown="key">
        {{ plan.title }}
      </button>
      <span v-if="wish.priority !== 'want'" class="priority" :class="wish.priority">{{
        priorityWords[wish.priority]
      }}</span>
      <div class="said">
        <AmountField :wish="wish" :plan="plan" /><span v-if="rest" class="rest">, {{ rest }}</span>
      </div>
    </div>
    <div class="weeks">
      <Ribbon
        v-if="plan.weeks_wanted"
        :source="plan.source"
        :wanted="plan.wanted"
        :unit="plan.unit"
        :label="plan.title"
        :bare="lacks?.without"
        :say="(n) => say(Math.round(n * 100) / 100, plan.unit)"
      />
      <span v-else class="quiet small">{{
        plan.enough ? 'enough on the shelf, none to grow' : wish.for?.per ? 'nobody eats it yet' : 'not for eating'
      }}</span>
    </div>
    <div class="cell short">
      <button
        v-if="plan.weeks_wanted"
        type="button"
        class="plain"
        :class="{ warn: short > 0 }"
        :data-figure="`wish/${plan.id}/fed`"
        :aria-label="short ? count(short, 'gap week') : 'no gaps'"
        @click="$emit('edit')"
      >
        {{ short > 0 ? short : '–' }}
      </button>
    </div>
    <div class="cell">
      <Figure
        v-if="plan.harvested"
        :value="plan.harvested"
        :unit="plan.harvest_unit"
        :figure="harvested"
        label="harvest needed"
      />
    </div>
    <div class="cell strong">
      <Figure v-if="plan.plants" :value="plan.plants" :figure="`wish/${plan.id}/plants`" label="plants" />
      <span v-else-if="plan.sowing_count" class="quiet small">trays</span>
    </div>
    <div class="cell">
      <Figure v-if="plan.area" :value="plan.area" unit="m²" :figure="`wish/${plan.id}/area`" label="bed" />
    </div>
    <div class="cell number">{{ plan.sowing_count || '' }}</div>
    <div class="cell" :class="{ warn: plan.left_over < 0 }">
      <Figure
        v-if="plan.harvested"
        :value="Math.abs(plan.left_over)"
        :unit="plan.harvest_unit"
        :figure="`wish/${plan.id}/left_over`"
        label="left over in an average year"
      /><span v-if="plan.left_over < 0" class="unit"> too few</span>
    </div>
    <ul v-if="plan.notes.length || lacks" class="notes small">
      <li v-if="lacks" class="no-ground">
        {{ noGround(lacks) }}
        <RouterLink to="/ground">Ground</RouterLink>
      </li>
      <li v-for="n in plan.notes" :key="n">{{ render(n) }}</li>
    </ul>
  </div>
</template>

<style scoped>
.wish {
  /* Laid out and painted by itself: an edit of one row leaves the others as they are. */
  content-visibility: auto;
  contain-intrinsic-height: auto 60px;
  position: relative;
  padding: var(--space-4) 0 var(--space-4);
  border-bottom: 1px solid var(--hair);
  align-items: center;
}
.wish:hover,
.wish:focus-within {
  z-index: 1; /* what a row says of a week lies over the next row */
  content-visibility: visible;
}
.wish:hover {
  background: color-mix(in srgb, var(--wash) 45%, transparent);
}
.wish.open {
  background: var(--sheet);
}
.title {
  font-family: var(--serif);
  font-size: var(--type-body);
  font-weight: 600;
  line-height: 1.2;
}
.title:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
  text-decoration-color: var(--hair-2);
}
.priority {
  font-size: var(--type-tiny);
  margin-left: var(--space-4);
  color: var(--ink-2);
}
.priority.must {
  color: var(--ink);
  font-weight: 650;
}
.what {
  min-width: 0;
}
.said {
  line-height: 1.25;
}
.rest {
  font-size: var(--type-small);
  color: var(--ink-2);
}
.cell {
  text-align: right;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  white-space: nowrap;
}
.strong {
  font-weight: 650;
  font-size: var(--type-large);
}
.short button.warn {
  color: var(--accent);
}
.short .warn {
  font-weight: 650;
}
.notes {
  grid-column: 2 / -1;
  margin: var(--space-1) 0 0;
  padding: 0;
  list-style: none;
  color: var(--ink-2);
}
@media (max-width: 720px) {
  .notes {
    grid-column: 1 / -1;
  }
}
</style>
