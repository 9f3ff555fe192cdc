<script setup lang="ts">
// The number of a wish, edited where it stands.
import { computed, ref, watch } from 'vue'
import type { PlanWish, Wish } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import { amountKind } from '../../lib/facts'
import { useUnits } from '../../lib/units'

const props = defineProps<{ wish: Wish; plan: PlanWish }>()
const store = useHousehold()
const { entry, read, shown, system } = useUnits()

const kind = computed(() => amountKind(props.wish.amount.kind))
const unit = computed(() => (['kg', 'L', 'm²', 'm'].includes(kind.value?.unit ?? '') ? (kind.value?.unit ?? '') : ''))
const shownNumber = computed(() => entry(Math.round(props.plan.number * 1000) / 1000, unit.value))
const text = ref(shownNumber.value)
const wrong = ref('')
let sending = ''
watch([shownNumber, system], () => {
  text.value = shownNumber.value
  wrong.value = ''
  sending = ''
})
// What waits to be sent is not sent again when the field is left; refused later, it may be.
watch([() => store.waiting.length, () => store.refused.length], ([waiting, refused], [, before]) => {
  if (waiting === 0 || refused > before) sending = ''
})

/** What the number counts: "quart jars", "meals a week", "kg a year". */
const words = computed(() => {
  const said = props.plan.words.split(' · ')[0]?.replace(/^[\d.]+ /, '') ?? ''
  const shownWords = unit.value ? said.replace(/^(kg|litres|m²|m)/, shown(unit.value).unit) : said
  return props.wish.amount.kind === 'litres' ? `${shownWords} put up` : shownWords
})

/** Sends the number; Enter and leaving the field both call it, one send is enough. */
async function save() {
  if (text.value === shownNumber.value || text.value === sending) return
  const number = read(text.value, unit.value)
  if (Number.isNaN(number)) {
    wrong.value = `“${text.value}” is not a number. Enter one, such as 26.`
    return
  }
  sending = text.value
  const p = await store.edit({
    command: 'change-wish',
    wish: { ...props.wish, amount: { ...props.wish.amount, number }, story: undefined }, // a number of one's own goes before the story
  })
  if (p) sending = ''
  wrong.value = p ? fieldError(p, 'amount.number') || otherErrors(p) || p.detail : ''
}

async function full(jars: number) {
  text.value = String(jars)
  await save()
}

function revert() {
  text.value = shownNumber.value
  wrong.value = ''
}
</script>

<template>
  <span class="amount">
    <input
      v-model="text"
      class="number"
      inputmode="decimal"
      :style="{ width: Math.max(1, text.length) + 0.5 + 'ch' }"
      :aria-label="`How much: ${plan.title}, ${words}`"
      :aria-invalid="!!wrong"
      @change="save"
      @keydown.enter="save"
      @keydown.esc.stop="revert"
    />
    {{ words
    }}<span v-if="plan.load && plan.load.below !== plan.load.above" class="loads quiet">
      full canner loads:
      <button v-if="plan.load.below" type="button" class="link" @click="full(plan.load.below)">
        {{ plan.load.below }}
      </button>
      {{ plan.load.below ? 'or' : '' }}
      <button type="button" class="link" @click="full(plan.load.above)">{{ plan.load.above }}</button>
    </span>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.amount {
  font-size: var(--type-text);
}
input {
  font-family: var(--serif);
  font-size: var(--type-body);
  font-weight: 600;
  color: var(--ink);
  background: transparent;
  border: 0;
  border-bottom: 1px solid var(--hair-2);
  padding: 0 var(--space-1);
  border-radius: 0;
}
input:hover {
  border-bottom-color: var(--ink);
}
.loads {
  display: inline-block;
  margin-left: var(--space-3);
  font-size: var(--type-small);
}
.wrong {
  display: block;
}
</style>
