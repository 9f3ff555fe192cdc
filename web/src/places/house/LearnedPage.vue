<script setup lang="ts">
// What the household's own record teaches: each figure with what it was learned from, how sure it is,
// and a way to switch it off or to say it oneself.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api, type LearnedEffect, type Learning, type Problem } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { count } from '../../lib/words'
import WhatIs from '../../parts/WhatIs.vue'
import LearnedCrops from './LearnedCrops.vue'
import LearnedEffects from './LearnedEffects.vue'
import './learned.css'

const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const { data } = useAnswer(
  'learned',
  () => !!store.household || undefined,
  (_, signal) => api.GET('/learned', { signal }),
)
const said = computed<Learning>(() => store.household?.learning ?? {})
async function set(some: Partial<Learning>) {
  problem.value = await store.edit({ command: 'set-learning', learning: { ...said.value, ...some } })
}
const of = (sort: LearnedEffect['sort']) => (data.value?.effects ?? []).filter((e) => e.sort === sort)
const known = computed(() => said.value.known ?? [])
/** Says an effect, or switches it off with 1; nothing lets the record speak again. */
function tell(e: LearnedEffect, factor: number | undefined) {
  if (e.sort === 'year') return
  const rest = known.value.filter((k) => k.sort !== e.sort || k.of !== e.of)
  void set({ known: factor === undefined ? rest : [...rest, { sort: e.sort, of: e.of, factor }] })
}
const switched = computed(() => said.value.switched ?? [])
const toggle = (subject: string) =>
  set({
    switched: switched.value.includes(subject)
      ? switched.value.filter((s) => s !== subject)
      : [...switched.value, subject],
  })
const answers = { all: 'all of it', most: 'most of it', half: 'about half of it', none: 'hardly any' }
const percent = (x: number) => `${fixed(100 * x, 0)} %`
const few = 8
const all = ref('')
const figures = computed(() => [
  { name: 'How often a sowing fails', from: 'planting', list: data.value?.losses ?? [], text: percent },
  {
    name: 'Raw food for a litre put up',
    from: 'batch',
    list: (data.value?.raw ?? []).filter((x) => Math.abs(x.value / x.usual - 1) >= 0.005),
    text: (x: number) => say(x, 'kg'),
  },
])
const many = (n: number, one: string) => count(n, one, one === 'batch' ? 'batches' : undefined)
</script>

<template>
  <section class="learned">
    <div class="bar">
      <h2 tabindex="-1">What your garden teaches</h2>
      <RouterLink to="/house">Back to House</RouterLink>
    </div>
    <p class="intro">
      The figures of the crop book are usual ones. What you weigh shows what your ground and your hands make of them;
      the plan goes by it. A poor year is not blamed on a crop, nor a poor bed on the year.
    </p>
    <label class="field weighs">
      <span
        >How much of the harvest do you usually weigh?
        <WhatIs
          of="weighed"
          words="What comes in is divided by it: where most of it is weighed, a fifth is taken to be missing. A sowing may have its own answer."
      /></span>
      <ElSelect
        :model-value="said.weighs || 'most'"
        size="small"
        aria-label="How much of the harvest do you usually weigh?"
        @change="(v: Learning['weighs']) => set({ weighs: v })"
      >
        <ElOption v-for="(words, a) in answers" :key="a" :value="a" :label="words" />
      </ElSelect>
    </label>
    <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
    <template v-if="data">
      <p v-if="!data.plantings" class="empty">
        Nothing is learned yet. Weigh what you pick, or count it, in the Daybook; once a sowing is over it counts here.
      </p>
      <template v-else>
        <p>
          Learned from <b>{{ count(data.plantings, 'planting') }}</b><template v-if="of('year').length < 2"
            >, all of one year: a poor year cannot be told from a poor garden yet</template
          >.
        </p>
        <section v-if="of('year').length" aria-label="The years">
          <h3>The years</h3>
          <p v-for="y in of('year')" :key="y.of" class="small">
            <b>{{ y.name }}</b> was {{ y.words }} ({{ count(y.plantings, 'planting') }}).
          </p>
        </section>
        <LearnedEffects title="The beds" :list="of('bed')" what="your other beds" @tell="tell" />
        <LearnedEffects title="Ways of growing" :list="of('method')" what="without" @tell="tell" />
        <LearnedCrops :crops="data.crops" :effects="data.effects" @tell="tell" />
        <section v-for="f in figures" :key="f.name" :aria-label="f.name">
          <template v-if="f.list.length">
            <h3>{{ f.name }}</h3>
            <table class="small">
              <thead>
                <tr>
                  <th></th>
                  <th class="n">yours</th>
                  <th class="n">usual</th>
                  <th>from</th>
                  <th><span class="hidden-words">Switch off</span></th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="x in all === f.name ? f.list : f.list.slice(0, few)" :key="x.subject">
                  <th scope="row">{{ x.name }}</th>
                  <td class="n">{{ f.text(x.value) }}</td>
                  <td class="n quiet">{{ f.text(x.usual) }}</td>
                  <td>
                    {{ many(x.from, f.from) }}<template v-if="x.lost">, {{ x.lost }} lost</template>
                  </td>
                  <td>
                    <button
                      type="button"
                      class="link"
                      :aria-label="`Use the usual figure: ${x.name}`"
                      @click="toggle(x.subject)"
                    >
                      Use the usual figure
                    </button>
                  </td>
                </tr>
              </tbody>
            </table>
            <button
              v-if="f.list.length > few"
              type="button"
              class="link small"
              :aria-expanded="all === f.name"
              @click="all = all === f.name ? '' : f.name"
            >
              {{ all === f.name ? 'Show fewer' : `Show all ${f.list.length}` }}
            </button>
          </template>
        </section>
        <section v-if="data.switched.length" aria-label="Switched off">
          <h3>Switched off</h3>
          <p v-for="s in data.switched" :key="s.subject" class="small">
            The usual figure is used for {{ s.name }}.
            <button type="button" class="link" @click="toggle(s.subject)">Learn it again</button>
          </p>
        </section>
        <section v-if="data.doubtful.length" aria-label="Left out">
          <h3>Left out until you look at it</h3>
          <p v-for="d in data.doubtful" :key="d.crop + d.year" class="small">
            <b>{{ d.crop }}</b> {{ d.year }} gave {{ percent(d.ratio) }} of what is usual. Was it lost, or not all
            weighed, or is it a slip of the pen?
          </p>
        </section>
      </template>
    </template>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  gap: var(--space-6);
  align-items: baseline;
}
.intro {
  max-width: 44rem;
}
.weighs {
  max-width: 24rem;
  padding: var(--space-4) 0;
}
th {
  text-align: left;
  font-weight: 400;
  padding-right: var(--space-6);
}
td {
  padding-right: var(--space-6);
}
section > section,
section > :deep(section) {
  margin-top: var(--space-5);
}
.empty {
  font-family: var(--serif);
  font-size: var(--type-large);
  padding: var(--space-4) 0;
}
</style>
