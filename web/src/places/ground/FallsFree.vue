<script setup lang="ts">
// What falls free in the beds in the next three months, by its days; a press shows what can
// follow there.
import { computed, ref } from 'vue'
import type { Freed } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { day as short } from '../../lib/words'

const props = defineProps<{ frees: Freed[] }>()
defineEmits<{ show: [bed: string, day: string] }>()
const ground = useGround()
const { say } = useUnits()
const few = 5
const all = ref(false)
const shown = computed(() => (all.value ? props.frees : props.frees.slice(0, few)))
</script>

<template>
  <section class="small" aria-label="Free soon">
    <h3>Free soon</h3>
    <ul>
      <li v-for="f in shown" :key="f.bed + f.from + f.day" data-freed>
        <button type="button" class="plain" @click="$emit('show', f.bed, f.day)">
          <b>{{ short(f.day) }}</b> {{ ground.bedName(f.bed) }}, {{ say(f.to - f.from, 'm') }}
        </button>
        <span class="quiet"
          >after {{ ground.names.get(f.after)?.toLowerCase() }},
          {{
            f.until
              ? `until ${ground.names.get(f.next ?? '')?.toLowerCase()} on ${short(f.until)}`
              : 'for the rest of the year'
          }}</span
        >
      </li>
    </ul>
    <button v-if="frees.length > few" type="button" class="link" @click="all = !all">
      {{ all ? 'fewer' : `all ${frees.length}` }}
    </button>
    <p class="quiet">
      {{ frees.length ? 'Press a bed to see what can follow there.' : 'No bed becomes free in the next three months.' }}
    </p>
  </section>
</template>

<style scoped>
h3 {
  margin-top: var(--space-5);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  border-bottom: 1px solid var(--hair);
  padding: var(--space-1) 0;
}
li button {
  text-align: left;
}
b {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
</style>
