<script setup lang="ts">
// Labels to print for jars and boxes: what it is, when it was put up, and a code that opens the lot on
// a phone.
import { ElCheckbox } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import type { Lot } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useLotName } from '../../lib/lots'
import { useUnits } from '../../lib/units'
import { count, dayNumber, fullDay } from '../../lib/words'

const store = useHousehold()
const nameOf = useLotName()
const { say } = useUnits()
const each = ref(true)
const chosen = reactive<Record<string, boolean>>({})

const standing = computed(() => new Map((store.plan?.shelf ?? []).map((s) => [s.lot, s])))
const lots = computed(() =>
  (store.household?.lots ?? [])
    .filter((l) => standing.value.has(l.id))
    .sort((a, b) => b.put_up.localeCompare(a.put_up) || nameOf(a).localeCompare(nameOf(b))),
)
/** What was put up in the last fortnight is chosen to begin with, or else the newest. */
watch(
  lots,
  (all) => {
    const today = dayNumber(store.plan?.as_of ?? '')
    all.forEach((l, i) => (chosen[l.id] ??= i === 0 || today - dayNumber(l.put_up) <= 14))
  },
  { immediate: true },
)
const mostLabels = 200
const many = (l: Lot) =>
  each.value && l.unit !== 'kg' ? Math.max(1, Math.floor(standing.value.get(l.id)?.count ?? 1)) : 1
const labels = computed(() =>
  lots.value
    .filter((l) => chosen[l.id])
    .flatMap((l) => Array.from({ length: many(l) }, (_, i) => ({ key: `${l.id} ${i}`, lot: l })))
    .slice(0, mostLabels),
)
/** Where the code leads: to this lot, at the address under which this page was opened. */
const code = (l: Lot) => `/api/code?text=${encodeURIComponent(`${location.origin}/shelves?lot=${l.id}`)}`
const local = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname)
const print = () => window.print()
</script>

<template>
  <section class="labels" aria-label="Labels">
    <div class="no-print">
      <div class="place-bar">
        <h2 tabindex="-1">Labels</h2>
        <button type="button" class="link" :disabled="!labels.length" @click="print">
          print {{ count(labels.length, 'label') }}
        </button>
        <RouterLink class="small" to="/shelves">Back to Shelves</RouterLink>
      </div>
      <p v-if="!lots.length" class="empty">The shelf is empty, so there is nothing to label.</p>
      <template v-else>
        <p v-if="local" class="small warn">
          These codes work only on this computer. To make codes that your phone can open, open this page under the
          address that the phone uses.
        </p>
        <ElCheckbox v-model="each">one label for each jar or bag</ElCheckbox>
        <div class="choose">
          <ElCheckbox v-for="l in lots" :key="l.id" v-model="chosen[l.id]">
            {{ nameOf(l) }} <span class="quiet small">{{ fullDay(l.put_up) }}</span>
          </ElCheckbox>
        </div>
      </template>
    </div>
    <div class="sheet">
      <div v-for="x in labels" :key="x.key" class="label" :data-label="x.lot.id">
        <img :src="code(x.lot)" alt="" width="84" height="84" />
        <div>
          <b>{{ nameOf(x.lot) }}</b>
          <span>{{ fullDay(x.lot.put_up) }}</span>
          <span class="small">{{ x.lot.unit === 'pieces' ? '' : say(x.lot.size, x.lot.unit) }} · {{ x.lot.id }}</span>
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.choose {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  max-height: 14rem;
  overflow-y: auto;
  margin: var(--space-3) 0 var(--space-5);
  border-top: 1px solid var(--hair);
  border-bottom: 1px solid var(--hair);
}
.sheet {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: var(--space-3);
}
.label {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: 96px;
  padding: var(--space-2);
  border: 1px dashed var(--hair-2);
  break-inside: avoid;
  color: #000;
  background: #fff;
}
.label div {
  display: grid;
}
.label b {
  font-family: var(--serif);
  line-height: 1.15;
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>
