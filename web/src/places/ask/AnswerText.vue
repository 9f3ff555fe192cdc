<script setup lang="ts">
// The answer to a plain question: one sentence, its parts, and how it is worked out.
import { api, type Question } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useDrawer } from '../../lib/drawer'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'

const props = defineProps<{ question?: Question }>()
const { render } = useUnits()
const drawer = useDrawer()
const { data, wrong, old } = useAnswer(
  'question',
  () => props.question,
  (body, signal) => api.POST('/questions', { body, signal }),
  () => false,
)
</script>

<template>
  <div v-if="question" class="answer" data-answer role="status">
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <template v-else-if="data && !old">
      <p>
        <strong>{{ render(data.said) }}</strong>
      </p>
      <dl v-if="data.rows.length">
        <template v-for="(r, i) in data.rows" :key="i">
          <dt>
            <button v-if="r.figure" type="button" class="link" @click="drawer.open(r.figure)">{{ r.head }}</button>
            <template v-else>{{ r.head }}</template>
          </dt>
          <dd>{{ render(r.text) }}</dd>
        </template>
      </dl>
      <details v-if="data.working.length" class="small quiet">
        <summary>How this is worked out</summary>
        <p v-for="w in data.working" :key="w">{{ render(w) }}</p>
      </details>
    </template>
  </div>
</template>

<style scoped>
.answer {
  margin: var(--space-3) 0 0 var(--space-5);
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: var(--space-2) var(--space-5);
  margin: var(--space-3) 0;
}
dd {
  margin: 0;
}
@container leaf (max-width: 640px) {
  .answer {
    margin-left: 0;
  }
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
