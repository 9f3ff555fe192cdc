<script setup lang="ts">
// What the ground is given: filled and covered, fed, watered, with what that costs
// and against what the crops take.
import { computed } from 'vue'
import { api } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { capital, count } from '../../lib/words'
import CareFeed from './CareFeed.vue'
import CareFill from './CareFill.vue'
import CareLines from './CareLines.vue'
import CareWater from './CareWater.vue'

const store = useHousehold()
const ground = useGround()
const { data: needs, wrong } = useAnswer(
  'ground-needs',
  () => true,
  (_, signal) => api.GET('/ground-needs', { signal }),
)
const cautions = computed(() =>
  (needs.value?.cautions ?? []).flatMap((id) => store.reference?.cautions.find((c) => c.id === id) ?? []),
)
</script>

<template>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <div v-if="needs" class="care">
    <CareFill :needs="needs" />
    <CareFeed :needs="needs" />
    <CareWater :needs="needs" />
    <CareLines :needs="needs" />
    <section v-if="cautions.length" class="cautions" aria-label="Cautions">
      <details class="small">
        <summary>Before you dig, spread, build: {{ count(cautions.length, 'caution') }}</summary>
        <ul>
          <li v-for="c in cautions" :key="c.id" :class="c.level">
            <strong>{{ capital(c.topic) }}.</strong> {{ c.text }}
          </li>
        </ul>
      </details>
    </section>
    <p class="small quiet">
      {{ ground.old ? 'Updating …' : '' }}
    </p>
  </div>
</template>

<style>
/* The sections of the page share these. */
.care {
  section {
    margin-bottom: var(--space-6);
  }
  h3 {
    display: flex;
    gap: var(--space-6);
    align-items: baseline;
    border-bottom: 1px solid var(--ink-2);
  }
  .sum {
    margin-left: auto;
    font-variant-numeric: tabular-nums lining-nums;
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3) var(--space-6);
    align-items: end;
    padding: var(--space-2) 0;
  }
  .field {
    width: 6.6rem;
  }
  .wide-field {
    width: 12rem;
  }
  .wide {
    position: relative; /* what is only read aloud stays within it */
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-2);
  }
  tbody th {
    font-family: var(--serif);
    font-weight: 600;
    color: var(--ink);
  }
  td,
  th {
    border-bottom: 1px solid var(--hair);
    padding: var(--space-1) var(--space-6) var(--space-1) 0;
    vertical-align: baseline;
  }
  .n {
    text-align: right;
  }
  summary {
    cursor: pointer;
  }
  .cautions ul {
    padding-left: var(--space-6);
  }
  .cautions li.danger strong {
    color: var(--accent);
  }
}
</style>
