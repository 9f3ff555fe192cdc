<script setup lang="ts">
// The sowings of another table year, by month, folded until they are asked for.
import { computed, ref } from 'vue'
import type { OtherYear } from '../lib/api'
import { byMonth, count, day } from '../lib/words'

const props = defineProps<{ sowings: OtherYear['sowings'] }>()
const open = ref(false)
const months = computed(() => byMonth(props.sowings, (s) => s.date))
</script>

<template>
  <button v-if="sowings.length" type="button" class="link" :aria-expanded="open" @click="open = !open">
    {{ open ? 'Hide' : `all ${count(sowings.length, 'sowing')}` }}
  </button>
  <div v-if="open" class="months small">
    <section v-for="m in months" :key="m.month" :aria-label="m.month">
      <h4>{{ m.month }}</h4>
      <ul>
        <li v-for="(s, i) in m.entries" :key="i">
          <b>{{ day(s.date) }}</b> {{ s.crop_name }}
          <span class="quiet"
            >{{ s.plants ? count(s.plants, 'plant') + ', ' : '' }}{{ s.for }}{{ s.ground ? '' : ', no room' }}</span
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.months {
  columns: 22rem auto;
}
h4 {
  margin: var(--space-3) 0 0;
  font-family: var(--serif);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
b {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
</style>
