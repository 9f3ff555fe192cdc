<script setup lang="ts">
// What would make the shortage of ground less, each with its effect, reckoned by
// the plan and the fit themselves; one press tries it, undo takes it back.
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { answer, api, Refused, type GroundWay } from '../../lib/api'
import { useHousehold, wordsOf } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital, count } from '../../lib/words'

const store = useHousehold()
const { say, render } = useUnits()
const ways = ref<GroundWay[]>()
const wrong = ref('')
const asking = ref(false)
const busy = ref(false)
const all = ref(false)
let asked = 0

async function find() {
  const mine = ++asked
  asking.value = true
  wrong.value = ''
  try {
    const found = await answer(() => api.GET('/ground-ways'))
    if (mine === asked) ways.value = found
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (mine === asked) wrong.value = wordsOf(e.problem)
  } finally {
    if (mine === asked) asking.value = false
  }
}
// They are reckoned when asked for: it takes some seconds. After an edit they are
// of a plan that is gone.
watch(
  () => store.state?.revision,
  () => {
    asked++
    ways.value = undefined
    asking.value = false
  },
)
const shown = computed(() => (all.value ? ways.value : ways.value?.slice(0, 8)))

async function press(w: GroundWay) {
  busy.value = true
  const p =
    w.command === 'log' && w.event
      ? await store.log(w.event)
      : await store.edit({
          command: w.command as 'change-wish',
          wish: w.wish,
          target: w.target,
          overrule: w.overrule,
          customs: w.customs,
          bed: w.bed,
        })
  wrong.value = p ? wordsOf(p) : ''
  busy.value = false
}
function effect(w: GroundWay): string {
  const out = []
  if (w.fed) out.push(`${count(Math.abs(w.fed), 'week')} ${w.fed < 0 ? 'fewer' : 'more'} fed`)
  if (w.jars) out.push(`${count(Math.abs(w.jars), 'jar')} ${w.jars < 0 ? 'fewer' : 'more'}`)
  return out.join(', ')
}
</script>

<template>
  <div class="ways-out">
    <ElButton v-if="!ways" size="small" :disabled="asking" @click="find">{{
      asking ? 'Reckoning what would help …' : 'What would help?'
    }}</ElButton>
    <template v-else-if="ways.length">
      <h3>What would help</h3>
      <ul class="small">
        <li v-for="w in shown" :key="w.words" :data-way="w.command">
          <span>{{ capital(render(w.words)) }}</span>
          <span class="gain">−{{ say(w.gains, 'm²') }} weeks</span>
          <span class="quiet">{{ effect(w) || (w.less ? 'less on the table' : 'feeds as much') }}</span>
          <button
            type="button"
            class="link"
            :disabled="busy"
            :aria-label="'Try it: ' + render(w.words)"
            @click="press(w)"
          >
            try it
          </button>
        </li>
      </ul>
      <button v-if="ways.length > 8" type="button" class="link small" @click="all = !all">
        {{ all ? 'fewer' : `all ${ways.length}` }}
      </button>
    </template>
    <p v-else class="quiet small">Nothing that can be reckoned here would help.</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.8rem;
  border-top: 1px solid var(--hair);
  padding: 0.2rem 0;
}
.gain {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  font-weight: 600;
  text-align: right;
}
li .link {
  justify-self: end;
}
</style>
