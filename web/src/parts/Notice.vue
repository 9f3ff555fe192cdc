<script setup lang="ts">
// What the last edit did, or what went wrong; nothing typed is lost by either.
import { computed, ref, watch } from 'vue'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { tallyChanges } from '../lib/tally'
import { capital, count } from '../lib/words'
import MoveList from './MoveList.vue'

const store = useHousehold()
const { render, say } = useUnits()
/** What the last edit changed in the whole table. */
const changes = computed(() => tallyChanges(store.before, store.plan?.tally, say))
const open = ref(false)
watch(
  () => store.state?.revision,
  () => (open.value = false),
)
const words = computed(() => (store.notice ? capital(render(store.notice)) + '.' : ''))
</script>

<template>
  <div class="notices no-print">
    <div v-if="store.waiting.length" class="problem" role="alert" data-waiting>
      <strong>Inventory is not running.</strong>
      {{ store.waiting.length === 1 ? 'One entry is' : `${store.waiting.length} entries are` }} kept on this device. It
      is sent when Inventory runs again.
      <button type="button" class="link" @click="store.again()">Try again</button>
      <button type="button" class="link" :aria-expanded="open" @click="open = !open">
        {{ open ? 'hide' : 'Show what waits' }}
      </button>
      <ol v-if="open">
        <li v-for="w in store.waiting" :key="w.entry.id">{{ capital(w.words) }}</li>
      </ol>
    </div>
    <div v-else-if="store.problem" class="problem" role="alert">
      <strong>{{ store.problem.title }}.</strong> {{ capital(store.problem.detail) }}
      <button v-if="!store.problem.status || !store.state" type="button" class="link" @click="store.again()">
        Try again
      </button>
      <button type="button" class="link" @click="store.problem = undefined">Close</button>
    </div>
    <div v-else-if="words" class="notice small">
      <span role="status">{{ words }}</span>
      <!-- Undo stands before what comes later, so that it does not move under the hand. -->
      <button v-if="store.state?.undo" type="button" class="link" @click="store.undo()">Undo</button>
      <button
        v-if="store.moves.length || changes.length"
        type="button"
        class="link"
        :aria-expanded="open"
        @click="open = !open"
      >
        {{ open ? 'hide' : 'what changed' }}{{ store.moves.length ? ` (${count(store.moves.length, 'sowing')})` : '' }}
      </button>
      <template v-if="open">
        <p v-if="changes.length" class="changes">
          <span v-for="c in changes" :key="c.key">{{ c.text }}{{ c.side ? ` (${c.side})` : '' }}</span>
        </p>
        <MoveList v-if="store.moves.length" :moves="store.moves" />
      </template>
    </div>
    <div v-if="store.refused.length" class="problem" role="alert" data-refused>
      <strong
        >{{ store.refused.length === 1 ? 'One entry was' : `${store.refused.length} entries were` }} not taken.</strong
      >
      <ul>
        <li v-for="(r, i) in store.refused" :key="i">{{ capital(r.words) }}: {{ r.why }}</li>
      </ul>
      <button type="button" class="link" @click="store.refused = []">Close</button>
    </div>
  </div>
</template>

<style scoped>
.problem {
  border-left: 4px solid var(--accent);
  background: var(--wash);
  padding: var(--space-4) var(--space-6);
}
.problem .link {
  margin-left: var(--space-5);
}
.problem ol,
.problem ul {
  margin: var(--space-3) 0;
  padding-left: var(--space-6);
}
.notice {
  padding: var(--space-3) var(--space-6);
  color: var(--ink-2);
  border-bottom: 1px solid var(--hair);
}
.changes {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-6);
  margin: var(--space-2) 0 0;
}
.notice .link {
  margin-left: var(--space-4);
}
</style>
