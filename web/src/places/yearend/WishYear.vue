<script setup lang="ts">
// One wish at the year's end: the expected harvest against what was picked, the weeks wished against those
// fed, what is left; and what is proposed for the next year.
import { computed, ref, watch } from 'vue'
import type { Wish, YearEndRow } from '../../lib/api'
import { amountKind } from '../../lib/facts'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { dated } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import TwoBars from '../../parts/TwoBars.vue'

const props = defineProps<{ row: YearEndRow; taken: boolean; as: Wish | undefined }>()
const emit = defineEmits<{ take: [wish: Wish | undefined]; leave: [] }>()
const store = useHousehold()
const { say } = useUnits()

const p = computed(() => props.row.proposal)
const number = ref<number | undefined>(p.value.wish.amount.number)
watch(p, (now) => (number.value = now.wish.amount.number))
const unit = computed(() => amountKind(p.value.wish.amount.kind)?.unit ?? '')
const convertible = computed(() => (['kg', 'L', 'm²', 'm'].includes(unit.value) ? unit.value : ''))
/** How sure it is to be then, where that is proposed otherwise. */
const surer = computed(() => {
  const c = p.value.wish.confidence
  const was = store.household?.wishes.find((w) => w.id === props.row.id)?.confidence
  return c && c !== was ? `, enough in ${Math.round(100 * c) / 10} years of 10` : ''
})
const words = computed(() => props.row.words.split(' · ')[0]?.replace(/^[\d.]+ /, '') ?? '')
/** A pair of bars: what was to be, and what came of it, on one scale. */
const bars = computed(() => {
  const r = props.row
  const pair = (name: string, want: number, got: number, text: string) => {
    const most = Math.max(want, got, 1e-9)
    return { name, want: (100 * want) / most, got: (100 * got) / most, text }
  }
  const out = []
  if (r.planned > 0 && r.came > 0)
    out.push(
      pair(
        'harvest',
        r.planned,
        r.came,
        `${say(r.came, r.harvest_unit)} of ${say(r.planned, r.harvest_unit)} expected`,
      ),
    )
  if (r.weeks_wanted > 0)
    out.push(pair('weeks', r.weeks_wanted, r.weeks_fed, `${r.weeks_fed} of ${r.weeks_wanted} weeks fed`))
  return out
})
const left = computed(() => {
  const r = props.row
  if (r.left >= 0.05) return `${say(Math.round(10 * r.left) / 10, r.left_unit)} on the shelf`
  return r.ran_out ? `the last was taken on ${dated(r.ran_out, store.plan?.as_of)}` : ''
})
function take() {
  if (p.value.drop) return emit('take', undefined)
  const n = number.value
  if (n === undefined || Number.isNaN(n) || n <= 0) return
  emit('take', { ...p.value.wish, amount: { ...p.value.wish.amount, number: n } })
}
</script>

<template>
  <div class="wish" :data-year-of="row.id">
    <p class="name">
      <b>{{ row.title }}</b> <span class="small quiet">{{ row.words.split(' · ')[0] }}</span>
    </p>
    <div class="bars">
      <p v-for="b in bars" :key="b.name" class="bar small">
        <TwoBars :want="b.want" :got="b.got" :most="100" />
        {{ b.text }}
      </p>
      <p v-if="left" class="small quiet">{{ left }}</p>
    </div>
    <div class="next">
      <p v-for="why in p.why" :key="why" class="small">{{ why }}</p>
      <p v-if="p.changed" class="act no-print">
        <template v-if="taken"
          ><b>{{ as ? `Next year ${as.amount.number} ${words}${surer}` : 'Left out of the next year' }}</b>
          <button type="button" class="link" :aria-label="`Leave ${row.title} as it is`" @click="emit('leave')">
            Leave it as it is
          </button></template
        >
        <template v-else-if="p.drop">
          <button type="button" class="link" :aria-label="`Grow no ${row.title} next year`" @click="take">
            Grow none next year
          </button>
        </template>
        <template v-else>
          next year
          <NumberInput v-model="number" :unit="convertible" :label="`Next year: ${row.title}, ${words}`" class="few" />
          {{ words }}{{ surer }}
          <button type="button" class="link" :aria-label="`Take it: ${row.title}`" @click="take">Take it</button>
        </template>
      </p>
    </div>
  </div>
</template>

<style scoped>
.wish {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) minmax(12rem, 20rem) minmax(14rem, 1fr);
  gap: var(--space-2) var(--space-6);
  padding: var(--space-2) 0;
}
.wish p {
  margin: 0;
}
.name b {
  font-family: var(--serif);
  font-size: var(--type-text);
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: baseline;
}
.few {
  width: 5rem;
  display: inline-block;
}
@container leaf (max-width: 820px) {
  .wish {
    grid-template-columns: 1fr;
  }
}
</style>
