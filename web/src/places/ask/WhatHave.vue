<script setup lang="ts">
// What have I? Plants, a packet, tubers, a row or a bed at hand: what they would give, and
// when, begun as soon as that can still be. Nothing is changed by asking.
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { api, type Have } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { fieldError, otherErrors } from '../../lib/problems'
import { capital } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import GivesLine from './GivesLine.vue'

const store = useHousehold()

const kinds: { what: Have['what']; words: string; unit: string; number: number }[] = [
  { what: 'plants', words: 'young plants', unit: '', number: 24 },
  { what: 'seeds', words: 'seeds in a packet', unit: '', number: 200 },
  { what: 'stock', words: 'tubers, cloves or sets, by weight', unit: 'kg', number: 2 },
  { what: 'row', words: 'a row, by its length', unit: 'm', number: 10 },
  { what: 'bed', words: 'a bed, by length and width', unit: 'm', number: 2.5 },
  { what: 'jars', words: 'empty jars', unit: '', number: 12 },
]
/** What needs no kind: all that is wished for is tried. */
const ofAny = (what: string) => what === 'bed' || what === 'jars'
const kind = (what: string) => kinds.find((k) => k.what === what)

/** What is at hand, remembered on this device. */
const haves = useLocalStorage<Have[]>('inventory.haves', [])
const crops = computed(() =>
  store.crops.filter((c) => c.weighed && !c.perennial).sort((a, b) => a.name.localeCompare(b.name)),
)
function add(what: Have['what']) {
  const k = kind(what)
  const litre = what === 'jars' ? store.reference?.jars[0]?.litre : undefined
  haves.value.push({ what, number: k?.number ?? 1, crop: '', width: what === 'bed' ? 1.2 : undefined, litre })
}

/** What can be asked about: a bed needs no kind, all else does. */
const asked = computed(() =>
  haves.value.map((h, i) => ({ h, i })).filter(({ h }) => h.number > 0 && (h.crop || ofAny(h.what))),
)
const {
  data: answers,
  problem,
  asking,
} = useAnswer(
  'from-what-there-is',
  () => (asked.value.length ? asked.value.map(({ h }) => ({ ...h, crop: h.crop || undefined })) : undefined),
  (list, signal) => api.POST('/from-what-there-is', { body: { haves: list }, signal }),
)
/** The answers of now, each with the line that it answers. */
const gives = computed(() =>
  asked.value.length ? (answers.value ?? []).map((g) => ({ g, have: asked.value[g.have]?.h })) : [],
)
/** What is wrong with a line. */
function wrong(i: number): string {
  const at = asked.value.findIndex((a) => a.i === i)
  if (at < 0 || !problem.value) return ''
  return (
    ['crop', 'what', 'number', 'width', 'litre']
      .map((f) => fieldError(problem.value, `haves[${at}].${f}`))
      .find(Boolean) ?? ''
  )
}
</script>

<template>
  <section class="have" aria-label="What can I do with what I have?">
    <h3>What can I do with what I have?</h3>
    <p class="quiet about">
      Enter what you have: plants, seed, space or jars. You see what each would give if you start as soon as you can,
      the most useful first. Asking changes nothing.
    </p>
    <ul v-if="haves.length" class="haves">
      <li v-for="(h, i) in haves" :key="i" data-have>
        <NumberInput v-model="h.number" :unit="kind(h.what)?.unit" suffix :label="'How much: ' + kind(h.what)?.words" />
        <template v-if="h.what === 'bed'">
          <span>by</span>
          <NumberInput v-model="h.width" unit="m" suffix label="Width of the bed" />
        </template>
        <ElSelect v-if="h.what === 'jars'" v-model="h.litre" class="jar" size="small" aria-label="Size of the jars">
          <ElOption v-for="j in store.reference?.jars ?? []" :key="j.name" :value="j.litre" :label="j.name" />
        </ElSelect>
        <span class="words">{{ kind(h.what)?.words }}</span>
        <ElSelect
          v-model="h.crop"
          size="small"
          filterable
          clearable
          :placeholder="ofAny(h.what) ? 'filled with anything you wish for' : 'of what?'"
          :aria-label="'Kind: ' + kind(h.what)?.words"
        >
          <ElOption v-for="c in crops" :key="c.id" :value="c.id" :label="c.name" />
        </ElSelect>
        <button type="button" class="link small" :aria-label="'Remove line ' + (i + 1)" @click="haves.splice(i, 1)">
          Remove
        </button>
        <span v-if="wrong(i)" class="wrong" role="alert">{{ capital(wrong(i)) }}</span>
      </li>
    </ul>
    <p class="add">
      <span class="quiet">{{ haves.length ? 'And:' : 'I have:' }}</span>
      <ElButton v-for="k in kinds" :key="k.what" size="small" @click="add(k.what)">{{ k.words }}</ElButton>
    </p>
    <p v-if="problem && !haves.some((_, i) => wrong(i))" class="wrong" role="alert">
      {{ capital(otherErrors(problem) || problem.detail) }}
    </p>
    <p v-if="asking && !gives.length" class="quiet" role="status">Working it out …</p>
    <ol v-if="gives.length" class="answers">
      <GivesLine v-for="({ g, have }, i) in gives" :key="i" :gives="g" :have="have" />
    </ol>
    <p v-if="gives.some(({ g }) => g.jars.length)" class="quiet small">
      Jars are listed by what they hold. To put food up safely, follow a current tested recipe.
    </p>
    <p v-else-if="asked.length && !gives.length && !asking && !problem" class="quiet">
      Nothing useful would come of it here.
    </p>
  </section>
</template>

<style scoped>
.about {
  max-width: 44rem;
}
.haves {
  margin: var(--space-4) 0 0;
  padding: 0;
  list-style: none;
}
.haves li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
  padding: var(--space-2) 0;
  border-bottom: 1px solid var(--hair);
}
.haves .number-input {
  width: 6.5rem;
}
.haves .el-select {
  width: 15rem;
}
.haves .el-select.jar {
  width: 8rem;
}
.add {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
}
.add .el-button {
  margin: 0;
}
.answers {
  margin: var(--space-5) 0 0;
  padding: 0;
  list-style: none;
  border-top: 1px solid var(--ink-2);
}
@media (max-width: 720px) {
  .haves .el-select {
    width: 100%;
  }
  .add .el-button,
  .haves .link {
    min-height: 44px;
  }
}
</style>
