<script setup lang="ts">
// What of the wishes to grow so that all of it has ground: what is kept whole, what is cut and
// what is left out, before it is taken; undo takes all of it back.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type FitLine } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { amountKind } from '../../lib/facts'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital, count, day } from '../../lib/words'

const store = useHousehold()
const ground = useGround()
const router = useRouter()
const { say } = useUnits()

const { data, wrong, asking, old } = useAnswer(
  'fitted-wishes',
  () => (ground.layout && !ground.old && ground.layout.left.length ? true : undefined),
  (_, signal) => api.GET('/fitted-wishes', { signal }),
)
const proposal = computed(() => (old.value ? undefined : data.value?.proposal))
const of = (kept: string) => (proposal.value?.lines ?? []).filter((l) => l.kept === kept)
const priority = (l: FitLine) => store.household?.wishes.find((w) => w.id === l.wish)?.priority ?? 'want'

/** An amount as it is said: "2 meals a week", "35 jars". */
function amount(l: FitLine, n: number): string {
  return say(Math.round(n * 100) / 100, l.unit) + (amountKind(l.kind)?.weekly ? ' a week' : '')
}

/** When the beds are full, in words. */
const full = computed(() =>
  (proposal.value?.full ?? []).map((s) => `${day(s.from)} to ${day(s.to)}`).join(', and from '),
)

const busy = ref(false)
const refused = ref('')
async function take() {
  const change = proposal.value?.change
  if (!change) return
  busy.value = true
  const p = await store.edit({ command: 'put-wishes', wishes: change.wishes, remove: change.remove })
  busy.value = false
  refused.value = wordsOf(p)
  if (!p) void router.push('/table')
}
</script>

<template>
  <div class="fit-wishes">
    <h3>What to grow so that everything has room</h3>
    <p v-if="!ground.layout || ground.old || asking" class="quiet" role="status">Working it out …</p>
    <p v-else-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <p v-else-if="!ground.layout.left.length" data-fits>All your wishes have room. Nothing needs to be cut.</p>
    <p v-else-if="!proposal" data-fits>
      No smaller set of wishes was found that has room and feeds as many weeks as now. To see what has no room and what
      would help, open <RouterLink to="/ground">the plot</RouterLink>.
    </p>
    <template v-else>
      <p class="sum">
        <strong>{{ count(proposal.after.weeks_fed, 'week') }} fed</strong> instead of {{ proposal.before.weeks_fed }},
        <strong>{{ count(proposal.after.jars, 'jar') }}</strong> instead of {{ proposal.before.jars }}: everything you
        then grow has room.
        <template v-if="full">The beds are full from {{ full }}.</template>
      </p>
      <div class="columns">
        <section v-if="of('left-out').length">
          <h4>{{ count(of('left-out').length, 'wish', 'wishes') }} left out</h4>
          <ul>
            <li v-for="l in of('left-out')" :key="l.wish" data-left-out>
              <span class="title">{{ l.title }}</span>
              <span v-if="priority(l) === 'must'" class="warn"> must have</span>
              <span class="quiet">, {{ amount(l, l.was) }}</span>
              <span v-if="l.area" class="quiet small">, would take {{ say(l.area, 'm²') }}</span>
            </li>
          </ul>
        </section>
        <section v-if="of('cut').length">
          <h4>{{ count(of('cut').length, 'wish', 'wishes') }} cut</h4>
          <ul>
            <li v-for="l in of('cut')" :key="l.wish" data-cut>
              <span class="title">{{ l.title }}</span>
              <span v-if="priority(l) === 'must'" class="warn"> must have</span>: {{ amount(l, l.is) }}
              <span class="quiet">instead of {{ amount(l, l.was) }}</span>
            </li>
          </ul>
        </section>
        <section>
          <h4>{{ count(of('whole').length, 'wish', 'wishes') }} kept whole</h4>
          <p class="quiet">
            {{
              of('whole')
                .map((l) => l.title)
                .join(' · ')
            }}
          </p>
        </section>
      </div>
      <p class="act">
        <ElButton type="primary" :loading="busy" @click="take">Grow this</ElButton>
        <span class="quiet small">Undo restores every wish.</span>
        <span v-if="refused" class="wrong" role="alert">{{ capital(refused) }}</span>
      </p>
    </template>
  </div>
</template>

<style scoped>
h3 {
  font-size: var(--type-large);
}
.sum {
  max-width: 46rem;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: var(--space-5) var(--space-7);
  padding-top: var(--space-4);
}
h4 {
  margin: 0 0 var(--space-2);
  border-bottom: 1px solid var(--ink-2);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: var(--space-2) 0;
  border-bottom: 1px solid var(--hair);
}
.title {
  font-family: var(--serif);
  font-weight: 600;
}
.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3) var(--space-5);
  padding-top: var(--space-5);
}
</style>
