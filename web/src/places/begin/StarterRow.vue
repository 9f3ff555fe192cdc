<script setup lang="ts">
// One food of the list to begin with: ticked, it is a wish, and its year, plants and bed space show beside it.
import { ElCheckbox } from 'element-plus'
import { computed } from 'vue'
import type { Starter } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count } from '../../lib/words'
import Ribbon from '../../parts/Ribbon.vue'
import AmountField from '../table/AmountField.vue'
import { sameWish } from './starters'

const props = defineProps<{ starter: Starter }>()
const emit = defineEmits<{ wrong: [words: string]; tick: [on: boolean] }>()
const store = useHousehold()
const { render, say } = useUnits()

const wish = computed(() => store.household?.wishes.find((w) => sameWish(w, props.starter.wish)))
const plan = computed(() => store.plan?.wishes.find((w) => w.id === wish.value?.id))
/** The amount that is usual for this household: "30 quart jars". */
const usual = computed(() => render(props.starter.said.split(' · ')[0] ?? ''))
</script>

<template>
  <li class="starter" :class="{ on: wish }" data-starter>
    <ElCheckbox :model-value="!!wish" class="tick" @update:model-value="emit('tick', !!$event)">{{
      starter.name
    }}</ElCheckbox>
    <template v-if="wish && plan">
      <AmountField class="amount" :wish="wish" :plan="plan" />
      <Ribbon
        v-if="plan.weeks_wanted"
        class="year"
        :source="plan.source"
        :wanted="plan.wanted"
        :unit="plan.unit"
        :label="plan.title"
      />
      <span v-if="plan.plants" class="cost small"
        >{{ count(plan.plants, 'plant') }}<template v-if="plan.area">, {{ say(plan.area, 'm²') }}</template></span
      >
      <span v-if="!plan.plants && plan.notes[0]" class="note small warn">{{ capital(render(plan.notes[0])) }}.</span>
    </template>
    <span v-else class="amount quiet small">{{ usual }}</span>
  </li>
</template>

<style scoped>
.starter {
  display: grid;
  grid-template-columns: minmax(9rem, 12rem) minmax(9rem, 13rem) minmax(8rem, 1fr) 8.5rem;
  gap: var(--space-2) var(--space-5);
  align-items: center;
  min-height: 2rem;
  border-top: 1px solid var(--hair);
}
.note {
  grid-column: 2 / -1;
}
.cost {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
@container leaf (max-width: 640px) {
  .starter {
    grid-template-columns: 1fr auto;
    padding: var(--space-3) 0;
  }
  .tick {
    min-height: 44px;
  }
  .year {
    grid-column: 1 / -1;
  }
  .cost {
    grid-column: 1 / -1;
    text-align: left;
  }
}
</style>
