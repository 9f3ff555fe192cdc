<script setup lang="ts">
// The figures of one row of the book, each to be overruled and put back.
import { ref } from 'vue'
import type { BookFigure } from '../../lib/api'
import { otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ subject: string; figures: BookFigure[] }>()
const store = useHousehold()
const { say } = useUnits()
const wrong = ref('')

async function set(f: BookFigure, value: number | undefined) {
  if (value === undefined || Number.isNaN(value) || value === f.value) return
  const p = await store.edit({ command: 'overrule', overrule: { subject: props.subject, field: f.field, value } })
  wrong.value = p ? `${f.name}: ${otherErrors(p) || p.detail}` : ''
}
async function putBack(f: BookFigure) {
  const p = await store.edit({ command: 'put-back', overrule: { subject: props.subject, field: f.field, value: 0 } })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}
</script>

<template>
  <div>
    <div class="figures">
      <div v-for="f in figures" :key="f.field" class="figure-row" :data-field="f.field">
        <span class="small" :class="{ mine: f.set }">{{ f.name }}</span>
        <NumberInput
          :model-value="f.value"
          :unit="f.unit"
          suffix
          :label="f.name"
          @update:model-value="(v) => set(f, v)"
        />
        <span v-if="f.set" class="small">
          <span class="quiet">usual {{ say(f.usual, f.unit) }}</span>
          <button type="button" class="link" :aria-label="'Put back: ' + f.name" @click="putBack(f)">put back</button>
        </span>
      </div>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
  gap: 0 1.6rem;
}
.figure-row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 7rem;
  align-items: center;
  gap: 0 0.6rem;
}
.figure-row > :nth-child(3) {
  grid-column: 1 / -1;
  display: flex;
  gap: 0.7rem;
  justify-content: flex-end;
}
.mine {
  color: var(--accent);
  font-weight: 600;
}
</style>
