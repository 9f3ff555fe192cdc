<script setup lang="ts">
// A food of one week and where it comes from; its source can be set by hand.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Eaten } from '../../lib/api'
import { sourceWords, texture } from '../../lib/facts'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import Figure from '../../parts/Figure.vue'

const props = defineProps<{
  food: Eaten
  /** The first day of the week. */
  from: string
}>()
const store = useHousehold()
const { say } = useUnits()
const e = computed(() => props.food)
const pinning = ref(false) // whether its source for the week is being chosen
const wrong = ref('')

/** Pins the week of a food to a source, or takes the pin off. */
async function pin(source: string) {
  const wish = store.household?.wishes.find((w) => w.id === props.food.wish)
  const from = props.from
  if (!wish) return
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
  pinning.value = false
  const p = await store.edit({ command: 'change-wish', wish: { ...wish, pins } })
  wrong.value = wordsOf(p)
}
</script>

<template>
  <div class="food" :data-eaten="e.wish" :data-source="e.source">
    <svg viewBox="0 0 16 12" width="16" height="12" aria-hidden="true">
      <rect x="1" y="1" width="14" height="10" :class="['w', texture(e.source), { 'w-gap-box': e.source === 'gap' }]" />
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
        }}{{ e.ahead === 'gap' ? 'not on the shelf yet this year' : 'this coming year ' + sourceWords(e.ahead) }}</span
      >
    </span>
    <ElSelect
      v-if="pinning"
      class="no-print"
      size="small"
      :model-value="e.pinned ? e.source : ''"
      :aria-label="'Where ' + e.title + ' comes from this week'"
      :empty-values="[null, undefined]"
      @update:model-value="(s: string) => pin(s)"
    >
      <ElOption value="" label="usual order" />
      <ElOption v-for="s in e.sources" :key="s" :value="s" :label="sourceWords(s)" />
    </ElSelect>
    <button
      v-else
      type="button"
      class="link small pin no-print"
      :class="{ set: e.pinned }"
      :aria-label="`Pin ${e.title} this week`"
      @click="pinning = true"
    >
      {{ e.pinned ? 'pinned' : 'pin' }}
    </button>
  </div>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
</template>

<style scoped>
.food {
  display: grid;
  grid-template-columns: 16px minmax(8rem, 1.4fr) 5.6rem minmax(8rem, 1.7fr) 9rem;
  gap: 0 var(--space-5);
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
@container leaf (max-width: 620px) {
  .food {
    grid-template-columns: 16px minmax(0, 1fr) auto;
    padding: var(--space-3) 0;
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
    padding: var(--space-3) 0;
  }
  .food .el-select {
    width: 100%;
  }
}
</style>
