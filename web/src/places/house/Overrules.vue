<script setup lang="ts">
// Every usual figure that the household has set for itself, in one place.
import { computed, ref } from 'vue'
import type { Overrule } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const wrong = ref('')

const rows = computed(() =>
  (store.household?.overrules ?? []).map((o) => {
    const [kind, id] = o.subject.split('/')
    const a = store.reference?.assumptions.find((x) => x.kind === kind && x.field === o.field)
    const crop = store.reference?.foods.flatMap((f) => f.kinds).find((k) => k.id === id)
    const prep = store.reference?.preparations.find((p) => p.id === id)
    return {
      o,
      of: kind === 'household' ? 'The household' : (crop?.name ?? prep?.name ?? capital(id ?? '')),
      what: a?.name ?? o.field,
      why: o.why ?? '',
      value: o.choice
        ? o.choice.replace('-', ' ')
        : say(o.value, prep?.unit === 'kg' && o.field === 'raw' ? 'kg' : (a?.unit ?? '')),
    }
  }),
)

async function putBack(o: Overrule) {
  const p = await store.edit({ command: 'put-back', overrule: o })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}
</script>

<template>
  <section aria-label="Your own figures">
    <h3>Your own figures</h3>
    <p v-if="!rows.length" class="quiet small">None yet. Press any number, then “Use my figure”.</p>
    <div v-else class="rows own">
      <template v-for="r in rows" :key="r.o.subject + r.o.field">
        <span>{{ r.of }}</span>
        <span class="quiet"
          >{{ r.what }}<template v-if="r.why">: {{ r.why }}</template></span
        >
        <span class="number mine">{{ r.value }}</span>
        <button
          type="button"
          class="link small"
          :aria-label="`Use the usual figure for ${r.of}, ${r.what}`"
          @click="putBack(r.o)"
        >
          Use the usual figure
        </button>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.own {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) auto auto;
}
.mine {
  color: var(--accent);
  text-align: right;
}
</style>
