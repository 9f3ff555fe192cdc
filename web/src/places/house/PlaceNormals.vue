<script setup lang="ts">
// The normals of a place, month by month.
import type { Place } from '../../lib/api'
import { useUnits } from '../../lib/units'
import { monthNames } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

defineProps<{ place: Place }>()
defineEmits<{ set: [of: 'mean_max' | 'mean_min' | 'rain', month: number, value: number] }>()
const { shown } = useUnits()
const rows = [
  { field: 'mean_max' as const, words: 'average high', unit: '°C' },
  { field: 'mean_min' as const, words: 'average low', unit: '°C' },
  { field: 'rain' as const, words: 'rain', unit: 'mm' },
]
</script>

<template>
  <table class="normals">
    <thead>
      <tr>
        <th><span class="hidden-words">Figure</span></th>
        <th v-for="m in monthNames" :key="m">{{ m.slice(0, 3) }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.field">
        <th>
          {{ r.words }}, <span class="quiet">{{ shown(r.unit).unit }}</span>
        </th>
        <td v-for="(m, i) in monthNames" :key="m">
          <NumberInput
            :model-value="place[r.field][i] ?? 0"
            :unit="r.unit"
            :label="`${r.words}, ${m}`"
            @update:model-value="(v) => $emit('set', r.field, i, v ?? 0)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.normals {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
.normals th {
  font-weight: 400;
  font-size: var(--type-tiny);
  text-align: right;
}
.normals th:first-child {
  text-align: left;
  width: 6.4rem;
}
.normals td {
  padding: 0 0 0 var(--space-1);
}
.normals :deep(.el-input__wrapper) {
  padding: 0;
}
.normals :deep(.el-input__inner) {
  font-size: var(--type-text);
}
@container leaf (max-width: 620px) {
  .normals,
  .normals tbody,
  .normals thead {
    display: block;
  }
  .normals tr {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    margin-bottom: var(--space-4);
  }
  .normals tr th:first-child {
    grid-column: 1 / -1;
    width: auto;
  }
  .normals thead {
    display: none;
  }
}
</style>
