<script setup lang="ts">
// A plot measured, and how it may be divided into beds that an arm reaches into.
import { ElButton, ElInput } from 'element-plus'
import { reactive, ref } from 'vue'
import { answer, api, Refused, type Problem, type Share } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import type { OnePlot } from '../../lib/plots'
import { fieldError, otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ of?: OnePlot }>()
const emit = defineEmits<{ done: [] }>()
const store = useHousehold()
const { say } = useUnits()
const old = props.of ? props.of.plot : store.household?.plot
const usual = store.reference?.dividing
const ask = reactive({
  plot: { length: old?.length ?? 12, width: old?.width ?? 8, bearing: old?.bearing ?? 0 },
  width: usual?.width ?? 0,
  path: usual?.path ?? 0,
  margin: usual?.margin ?? 0,
})
const shares = ref<Share[]>()
const problem = ref<Problem>()

async function propose() {
  shares.value = undefined
  try {
    shares.value = await answer(() => api.POST('/plot-divide', { body: ask }))
    problem.value = undefined
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.problem
  }
}
async function take(s: Share) {
  problem.value = await store.edit({
    command: 'add-beds',
    plot: { ...old, ...ask.plot },
    beds: s.beds.map((b) => (props.of?.id ? { ...b, plot: props.of.id } : b)),
  })
  if (!problem.value) emit('done')
}
const fields = ['plot.length', 'plot.width', 'plot.bearing', 'width', 'path', 'margin']
</script>

<template>
  <form class="divide" @submit.prevent="propose">
    <label class="field"
      ><span>The plot is long</span><NumberInput v-model="ask.plot.length" unit="m" suffix label="Length of the plot"
    /></label>
    <label class="field"
      ><span>and wide</span><NumberInput v-model="ask.plot.width" unit="m" suffix label="Width of the plot"
    /></label>
    <label class="field"
      ><span>Its short side faces (degrees from north)</span
      ><ElInput
        v-model.number="ask.plot.bearing"
        size="small"
        class="number"
        inputmode="numeric"
        aria-label="Bearing of the plot"
    /></label>
    <label class="field"
      ><span>Beds wide</span><NumberInput v-model="ask.width" unit="m" suffix label="Width of a bed"
    /></label>
    <label class="field"
      ><span>Paths wide</span><NumberInput v-model="ask.path" unit="m" suffix label="Width of a path"
    /></label>
    <label class="field"
      ><span>Margin around</span><NumberInput v-model="ask.margin" unit="m" suffix label="Margin around the beds"
    /></label>
    <ElButton native-type="submit" size="small">How many beds fit?</ElButton>
    <p v-if="usual" class="quiet small hint">
      You can reach {{ say(usual.width, 'm') }} across from both sides, {{ say(usual.from_one_side, 'm') }} from one. A
      wheelbarrow needs {{ say(usual.path, 'm') }} of path.
      <span v-if="ask.width > usual.width" class="warn"
        >You cannot reach the middle of a bed {{ say(ask.width, 'm') }}.</span
      >
    </p>
    <template v-for="f in fields" :key="f"
      ><p v-if="fieldError(problem, f)" class="wrong" role="alert">{{ fieldError(problem, f) }}</p></template
    >
    <p v-if="otherErrors(problem, ...fields)" class="wrong" role="alert">{{ otherErrors(problem, ...fields) }}</p>
    <ul v-if="shares?.length" class="shares">
      <li v-for="s in shares" :key="String(s.turned)">
        <b>{{ count(s.beds.length, 'bed') }}</b> of {{ say(s.beds[0]?.length ?? 0, 'm') }}
        {{ s.turned ? 'across the plot' : 'along the plot'
        }}<template v-if="s.narrow">, the last {{ say(s.narrow, 'm') }} wide along the edge</template>:
        {{ say(s.area, 'm²') }} of bed, {{ say(s.paths, 'm²') }} of path, {{ say(s.left, 'm') }} left over
        <button type="button" class="link" @click="take(s)">Use these beds</button>
      </li>
    </ul>
    <p v-else-if="shares" class="wrong" role="alert">
      Not even one bed of that width fits. Make the bed or the margin narrower.
    </p>
  </form>
</template>

<style scoped>
.divide {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
}
.divide .field {
  width: 8rem;
}
.hint,
.shares,
.wrong {
  flex-basis: 100%;
}
.shares li {
  padding: var(--space-1) 0;
}
.shares {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
