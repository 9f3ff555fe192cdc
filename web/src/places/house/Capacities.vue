<script setup lang="ts">
// What the kitchen and the garden can take, and what the household aims at.
import { computed, ref } from 'vue'
import { useHousehold } from '../../lib/household'
import { otherErrors } from '../../lib/problems'
import { settingWords } from '../../lib/settings'
import NumberInput from '../../parts/NumberInput.vue'
import WhatIs from '../../parts/WhatIs.vue'

const store = useHousehold()
const wrong = ref('')
const props = defineProps<{ title: string; fields: string[]; hint: string }>()
/** What is not measured, or no goal, is left open. */
const openEnded = (field: string) => /^goal|^freezer$|^trays$|^garden_hours$/.test(field)

const rows = computed(() =>
  props.fields.flatMap((field) => {
    const a = store.reference?.assumptions.find((x) => x.kind === 'household' && x.field === field)
    if (!a) return []
    const own = store.household?.overrules.find((o) => o.subject === 'household' && o.field === field)
    return [{ field, name: a.name, unit: a.unit, value: own?.value ?? a.usual ?? 0, usual: a.usual ?? 0, own: !!own }]
  }),
)

async function set(field: string, value: number | undefined) {
  const row = rows.value.find((r) => r.field === field)
  if (value === undefined || Number.isNaN(value) || !row || value === row.value) return
  const overrule = { subject: 'household', field, value }
  const p = await store.edit({ command: row.own && value === row.usual ? 'put-back' : 'overrule', overrule })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}
</script>

<template>
  <section :aria-label="title">
    <h3>{{ title }}</h3>
    <div class="rows kitchen">
      <template v-for="r in rows" :key="r.field">
        <span :class="{ mine: r.own }">{{ r.name }} <WhatIs :of="r.name" :words="settingWords[r.field]" /></span>
        <NumberInput
          :model-value="r.value || (openEnded(r.field) ? undefined : r.value)"
          :unit="r.unit"
          suffix
          :label="r.name"
          placeholder="–"
          @update:model-value="(v) => set(r.field, v)"
        />
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="quiet small">{{ hint }}</p>
  </section>
</template>

<style scoped>
.kitchen {
  grid-template-columns: minmax(10rem, 1fr) 8rem;
}
</style>
