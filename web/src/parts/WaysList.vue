<script setup lang="ts">
// The ways of mending a gap or a week with too much putting up, each with what
// it costs; one press takes it.
import { onMounted, ref, watch } from 'vue'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { useWays } from '../lib/ways'
import { capital, count } from '../lib/words'
import type { Way } from '../lib/api'

const props = defineProps<{ wish?: string; week?: number }>()
const emit = defineEmits<{ taken: [] }>()
const store = useHousehold()
const { say, render } = useUnits()
const { ways, wrong, find, take } = useWays(() => (props.wish ? { wish: props.wish } : { week: props.week ?? 0 }))
const busy = ref(false)

onMounted(find)
watch([() => store.state?.revision, () => props.wish, () => props.week], find)

const signed = (n: number, words: string) => (n > 0 ? '+' : '−') + words.replace(/^−/, '')

/** What a way costs or spares, in words. */
function cost(w: Way): string {
  const out: string[] = []
  if (w.plants) out.push(signed(w.plants, count(Math.abs(w.plants), 'plant')))
  if (Math.abs(w.area) >= 0.05) out.push(signed(w.area, say(Math.abs(w.area), 'm²')))
  if (w.jars) out.push(signed(w.jars, count(Math.abs(w.jars), 'jar')))
  if (Math.abs(w.freezer) >= 0.05) out.push(signed(w.freezer, say(Math.abs(w.freezer), 'L') + ' in the freezer'))
  if (Math.abs(w.hours) >= 0.05) out.push(signed(w.hours, say(Math.abs(w.hours), 'hours') + ' of putting up'))
  return out.join(', ') || 'costs no ground'
}

async function press(w: Way) {
  busy.value = true
  if (await take(w)) emit('taken')
  busy.value = false
}
</script>

<template>
  <div class="ways-list small">
    <p v-if="!ways && !wrong" class="quiet">Reckoning what would help …</p>
    <template v-else-if="ways?.length">
      <h4>{{ wish ? 'What would close the gap' : 'What would help' }}</h4>
      <ul>
        <li v-for="w in ways" :key="w.words">
          <span class="what">{{ capital(render(w.words)) }}</span>
          <span class="does">{{
            wish
              ? w.left
                ? `closes ${count(w.weeks, 'week')}, ${w.left} left`
                : 'closes all ' + w.weeks
              : `takes away ${say(w.batches, 'batches')}` + (w.left ? `, ${count(w.left, 'week')} still too full` : '')
          }}</span>
          <span class="cost">{{ cost(w) }}</span>
          <button
            type="button"
            class="link"
            :disabled="busy"
            :aria-label="'Do it: ' + render(w.words)"
            @click="press(w)"
          >
            do it
          </button>
        </li>
      </ul>
    </template>
    <p v-else-if="ways" class="quiet">Nothing that can be reckoned here would help.</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
h4 {
  margin: 0 0 0.15rem;
  font-family: var(--serif);
  font-weight: 600;
  font-size: 1rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(10rem, auto) auto minmax(9rem, 1fr) auto;
  gap: 0 1.2rem;
}
li {
  display: grid;
  grid-template-columns: subgrid;
  grid-column: 1 / -1;
  padding: 0.18rem 0;
  border-top: 1px solid var(--hair);
}
.does,
.cost {
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
@container leaf (max-width: 620px) {
  ul,
  li {
    display: block;
  }
  li {
    padding: 0.45rem 0;
  }
  li > * {
    margin-right: 0.6rem;
  }
  li .what {
    display: block;
  }
  li .link {
    padding: 0.4rem 0;
  }
}
</style>
