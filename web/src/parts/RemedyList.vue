<script setup lang="ts">
// A list of what would help, each with what it does and what it costs; one press takes it.
import { computed, ref } from 'vue'
import { useUnits } from '../lib/units'
import { capital, count } from '../lib/words'

export interface Remedy {
  key: string
  words: string
  does: string
  cost: string
}
const props = defineProps<{
  heading: string
  remedies: Remedy[] | undefined
  wrong: string
  busy: boolean
  /** What the button of each says. */
  act: string
  /** So many are shown before the others are asked for; all, where it is not said. */
  first?: number
  /** How many of the changes that may help have been tried, where it takes long. */
  progress?: { done: number; of: number }
}>()
defineEmits<{ take: [index: number]; stop: [] }>()
const { render } = useUnits()
const all = ref(false)
const most = computed(() => props.first ?? Infinity)
const shown = computed(() => (all.value ? props.remedies : props.remedies?.slice(0, most.value)))
</script>

<template>
  <div class="remedies small">
    <p v-if="!remedies && !wrong" class="quiet">
      Looking for options …
      <template v-if="progress">
        {{ progress.done }} of {{ count(progress.of, 'option') }} checked
        <button type="button" class="link" @click="$emit('stop')">Stop</button>
      </template>
    </p>
    <template v-else-if="remedies?.length">
      <h4>{{ heading }}</h4>
      <ul>
        <li v-for="(r, i) in shown" :key="r.words" :data-remedy="r.key">
          <span class="what">{{ capital(render(r.words)) }}</span>
          <span class="does">{{ r.does }}</span>
          <span class="cost">{{ r.cost }}</span>
          <button
            type="button"
            class="link"
            :disabled="busy"
            :aria-label="capital(act) + ': ' + render(r.words)"
            @click="$emit('take', i)"
          >
            {{ act }}
          </button>
        </li>
      </ul>
      <button v-if="remedies.length > most" type="button" class="link" @click="all = !all">
        {{ all ? 'Show fewer' : `Show all ${remedies.length}` }}
      </button>
    </template>
    <p v-else-if="remedies" class="quiet">No option found. Try a smaller amount or another variety.</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.remedies {
  container: remedies / inline-size;
}
h4 {
  margin: 0 0 var(--space-1);
  font-family: var(--serif);
  font-weight: 600;
  font-size: var(--type-body);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(10rem, auto) auto minmax(9rem, 1fr) auto;
  gap: 0 var(--space-6);
}
li {
  display: grid;
  grid-template-columns: subgrid;
  grid-column: 1 / -1;
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hair);
}
.does,
.cost {
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
@container remedies (max-width: 620px) {
  ul {
    display: block;
  }
  li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 var(--space-5);
  }
  .what {
    grid-column: 1 / -1;
  }
  .cost {
    grid-row: 3;
  }
  .link {
    grid-row: 2 / 4;
    grid-column: 2;
    place-self: center end;
    padding: var(--space-4) 0;
  }
}
</style>
