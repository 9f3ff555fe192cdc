<script setup lang="ts">
// One lot on the shelf: what is there of it, counted or taken out at a press, until when it keeps
// and how long it lasts.
import { computed, onMounted, ref, watch } from 'vue'
import type { Lot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { measured, useLotName, useRate } from '../../lib/lots'
import { otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital, day, fullDay } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import LotMore from './LotMore.vue'

const props = defineProps<{ lot: Lot; scanned?: boolean }>()
const store = useHousehold()
const { say, shown } = useUnits()
const wrong = ref('')

const standing = computed(() => store.plan?.shelf.find((s) => s.lot === props.lot.id))
const weighed = computed(() => props.lot.unit === 'kg')
/** What is there: kg of what is kept by weight, else containers. */
const there = computed(() => (weighed.value ? standing.value?.amount : standing.value?.count) ?? 0)
const counted = ref<number | undefined>(there.value)
watch(there, (n) => (counted.value = n))

const nameOf = useLotName()
const rateOf = useRate()
const what = computed(() => nameOf(props.lot))
const open = ref(false)
const row = ref<HTMLElement>()
/** A lot whose label was scanned is brought into sight. */
onMounted(() => props.scanned && row.value?.scrollIntoView({ block: 'center' }))
const beside = computed(() => {
  const place = store.household?.stores.find((s) => s.id === props.lot.store)?.name
  return [place, props.lot.note].filter(Boolean).join(' · ')
})
/** What one press takes out: a container, or a kilogram or pound, and no more than there is. */
const one = computed(() =>
  weighed.value ? Math.min(there.value, 1 / (shown('kg').factor || 1)) : Math.min(1, there.value),
)
const oneWords = computed(() => {
  if (!weighed.value) return '−1'
  return there.value > one.value ? `−1 ${shown('kg').unit}` : 'all'
})

/** How long it lasts, in words. */
const lasts = computed(() => {
  const s = standing.value
  if (!s) return { words: '', loud: false }
  if (s.expired) return { words: `past its keeping date since ${fullDay(s.until)}`, loud: true }
  if (s.runs_out) return { words: `eaten by ${fullDay(s.runs_out)}`, loud: false }
  if (s.wasted > 0) {
    const many = s.unit === 'kg' ? say(s.wasted, 'kg') : `${Math.max(1, Math.round(s.wasted / props.lot.size))}`
    return { words: `${many} will be left over on ${fullDay(s.until)}`, loud: s.wasted > s.amount / 3 }
  }
  return { words: s.wish ? 'lasts more than 2 years' : 'no wish uses it', loud: !s.wish }
})

async function enter(act: 'draw' | 'count', n: number) {
  const p = await store.record({
    entries: [
      {
        id: '',
        act,
        day: store.plan?.as_of ?? '',
        lot: props.lot.id,
        food: props.lot.food,
        ...measured(props.lot, n),
        ...(act === 'draw' ? { to: 'table' } : {}),
      },
    ],
  })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}

/** A number that was changed is a count of the shelf: what is really there. */
function count() {
  if (counted.value !== undefined && Math.abs(counted.value - there.value) > 1e-9) void enter('count', counted.value)
}

async function remove() {
  const p = await store.edit({ command: 'remove-lot', target: props.lot.id })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}
</script>

<template>
  <div ref="row" class="lot" :class="{ scanned }" :data-lot="lot.id">
    <span class="what">
      {{ what }}
      <span v-if="beside" class="quiet small">{{ beside }}</span>
    </span>
    <button
      type="button"
      class="plain take no-print"
      :disabled="there <= 0"
      :aria-label="`Take ${oneWords.replace('−', '')} of ${what}`"
      @click="enter('draw', one)"
    >
      {{ oneWords }}
    </button>
    <span class="n"
      ><NumberInput v-model="counted" :unit="weighed ? 'kg' : ''" :label="'How many: ' + what" @done="count"
    /></span>
    <span class="size quiet small">{{
      weighed ? shown('kg').unit : lot.unit === 'pieces' ? 'pieces' : '× ' + say(lot.size, lot.unit)
    }}</span>
    <span class="date small">{{ fullDay(lot.put_up) }}</span>
    <span class="small keeps">keeps until {{ day(standing?.until) }}</span>
    <span class="small lasts" :class="{ warn: lasts.loud }"
      >{{ lasts.words }} <span v-if="rateOf(lot).drawn" class="quiet drawn">{{ rateOf(lot).drawn }}</span></span
    >
    <span class="ends small"
      ><button type="button" class="link" :aria-expanded="open" :aria-label="'More of ' + what" @click="open = !open">
        {{ open ? 'less' : 'more' }}
      </button>
      <button type="button" class="link" :aria-label="'Remove ' + what" @click="remove">Remove</button></span
    >
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <LotMore v-if="open" :lot="lot" />
  </div>
</template>

<style scoped>
.lot {
  display: grid;
  grid-template-columns: minmax(10rem, 2.4fr) 3.6rem 4.2rem 5rem 6.4rem 7rem minmax(9rem, 1.4fr) auto;
  gap: 0 var(--space-5);
  align-items: center;
  border-bottom: 1px solid var(--hair);
  min-height: 32px;
}
.lot .wrong {
  grid-column: 1 / -1;
}
.scanned {
  outline: 2px solid var(--accent);
  outline-offset: 2px;
}
.drawn {
  display: block;
}
.ends {
  display: flex;
  gap: var(--space-3);
}
.take {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums;
  border: 1px solid var(--hair-2);
  padding: var(--space-1) var(--space-2);
  min-height: 28px;
  text-align: center;
}
.what {
  font-family: var(--serif);
  line-height: 1.2;
}
.what .small {
  display: block;
  font-family: var(--sans);
}
.date,
.keeps,
.lasts {
  font-variant-numeric: tabular-nums;
}
@container leaf (max-width: 720px) {
  .lot {
    grid-template-columns: minmax(0, 1fr) auto 4.2rem auto;
    padding: var(--space-4) 0;
  }
  .take {
    min-height: 48px;
    min-width: 48px;
  }
  .lot .date,
  .lot .keeps {
    display: none;
  }
  .lot .lasts {
    grid-column: 1 / 4;
  }
}
</style>
