<script setup lang="ts">
// One way of putting up what waits: what it makes, its cautions, and what was really filled.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import type { Waits } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ food: string; makes: Waits['makes'][number] }>()
const store = useHousehold()
const { say } = useUnits()
const open = ref(false)
const filled = ref<number | undefined>(props.makes.fill)
const failed = ref<number | undefined>(0)
const used = ref<number>()
const hours = ref<number>()
const wrong = ref('')

const jar = computed(
  () =>
    store.reference?.jars.find((j) => Math.abs(j.litre - props.makes.litre) < 1e-6)?.name ??
    say(props.makes.litre, 'L'),
)
const cautions = computed(() =>
  (store.reference?.cautions ?? []).filter((c) => props.makes.cautions.includes(c.id)).map((c) => c.text),
)
const load = computed(() => {
  const m = props.makes
  if (!m.jars) return 'not enough for one'
  if (m.form === 'frozen') return 'any number at a time'
  if (m.loads) return `${count(m.loads, 'full load')} of ${m.load}`
  return `not enough for a full load of ${m.load}. Eat it, freeze it, or wait for more`
})

async function done() {
  if (!(filled.value && filled.value > 0)) {
    wrong.value = 'Enter how many were filled, for example 7.'
    return
  }
  const p = await store.record({
    entries: [
      {
        id: '',
        act: 'put-up',
        day: store.plan?.as_of ?? '',
        food: props.food,
        preparation: props.makes.preparation,
        litre: props.makes.litre,
        jars: filled.value,
        failed: failed.value ?? 0,
        gram: Math.round(1000 * (used.value ?? 0)),
        hours: hours.value ?? 0,
      },
    ],
  })
  wrong.value = p ? capital(p.fields?.[0]?.allowed ?? p.detail) : ''
  if (!p) open.value = false
}
</script>

<template>
  <div class="way" :data-makes="makes.preparation">
    <p class="line">
      <span class="name">{{ makes.name }}</span>
      <span class="n"
        ><b>{{ makes.jars }}</b> <span class="quiet small">× {{ jar }}</span></span
      >
      <span class="small">{{ load }}</span>
      <span class="small quiet">{{ makes.wanted ? `the plan still needs ${makes.wanted}` : 'no wish for it' }}</span>
      <ElButton size="small" :aria-expanded="open" @click="open = !open">Put up as</ElButton>
    </p>
    <form v-if="open" class="filled" @submit.prevent="done">
      <label>Filled <NumberInput v-model="filled" label="Filled" /></label>
      <label>Did not seal <NumberInput v-model="failed" label="Did not seal" /></label>
      <label
        >Amount used <NumberInput v-model="used" unit="kg" suffix blank placeholder="usual" label="Amount used"
      /></label>
      <label>Hours <NumberInput v-model="hours" blank label="Hours" /></label>
      <ElButton type="primary" native-type="submit">Add to shelf</ElButton>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <details v-if="cautions.length" class="cautions small">
        <summary>Caution: {{ count(cautions.length, 'caution') }}. Take times from a current tested recipe.</summary>
        <ul>
          <li v-for="c in cautions" :key="c">{{ c }}</li>
        </ul>
      </details>
    </form>
  </div>
</template>

<style scoped>
.way {
  border-bottom: 1px solid var(--hair);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 2fr) 7rem minmax(0, 1.6fr) minmax(0, 1.3fr) auto;
  gap: 0 var(--space-5);
  align-items: center;
  min-height: 40px;
  margin: 0;
}
.name {
  font-family: var(--serif);
}
.n b {
  font-variant-numeric: tabular-nums lining-nums;
}
.filled {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  padding: var(--space-3) 0 var(--space-4);
}
.filled label {
  width: 7rem;
}
.filled .wrong,
.cautions {
  flex-basis: 100%;
  margin: 0;
}
@container leaf (max-width: 720px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: var(--space-2) 0;
  }
  .line .el-button {
    min-height: 48px;
  }
}
</style>
