<script setup lang="ts">
// What the household bends and what it plants together.
import { ElButton, ElCheckbox, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useCustoms } from '../../lib/customs'
import { count, familyName } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { customs, change } = useCustoms()
const wrong = ref('')
const families = computed(() => [...new Set(store.crops.map((c) => c.family))].sort())
const pairs = computed(() => store.reference?.pairings ?? [])
const grown = computed(() => new Set((store.plan?.sowings ?? []).map((s) => s.crop)))
const ours = computed(() => pairs.value.filter((p) => grown.value.has(p.long) && grown.value.has(p.short)))
const all = ref(false)
const shown = computed(() => (all.value ? pairs.value : ours.value))
async function set(to: Parameters<typeof change>[0]) {
  const p = await change(to)
  wrong.value = p ? wordsOf(p) : ''
}
const crops = computed(() => [...store.crops].sort((a, b) => a.name.localeCompare(b.name)))
const name = (id: string) => store.crops.find((c) => c.id === id)?.name ?? id
const draft = ref({ short: '', long: '', weeks: 6, share: 0.4 })
const adding = ref(false)
async function add() {
  const pair = { ...draft.value }
  const rest = (customs.value.own_pairs ?? []).filter((p) => p.short !== pair.short || p.long !== pair.long)
  await set({ own_pairs: [...rest, pair] })
  if (!wrong.value) adding.value = false
}
function drop(i: number) {
  void set({ own_pairs: (customs.value.own_pairs ?? []).filter((_, k) => k !== i) })
}
function tick(id: string, on: boolean) {
  const rest = customs.value.pairs.filter((x) => x !== id)
  void set({ pairs: on ? [...rest, id] : rest })
}
</script>

<template>
  <section aria-label="Rules for the beds">
    <h3>Exceptions to rotation, and shared beds</h3>
    <label class="field bent"
      ><span>families without rotation</span>
      <ElSelect
        :model-value="customs.bent"
        multiple
        filterable
        size="small"
        placeholder="none: all families rotate"
        aria-label="Families without rotation"
        @change="set({ bent: $event })"
      >
        <ElOption v-for="f in families" :key="f" :value="f" :label="familyName(store.crops, f)" />
      </ElSelect>
    </label>
    <p class="quiet small">
      A quick crop can share the bed of a slow one for its first weeks. Tick the pairs you want.
    </p>
    <ul class="small">
      <li v-for="p in shown" :key="p.id">
        <ElCheckbox
          size="small"
          :model-value="customs.pairs.includes(p.id)"
          :aria-label="`${p.short_name} between ${p.long_name}`"
          @change="tick(p.id, !!$event)"
          ><b>{{ p.short_name }}</b> between {{ p.long_name }}</ElCheckbox
        >
        <span class="quiet"
          >{{ count(p.weeks, 'week') }}, {{ Math.round(p.room * 100) }} % of the space{{
            p.timing === 'tricky' ? ', needs care' : ''
          }}. {{ p.why }}</span
        >
      </li>
    </ul>
    <ul v-if="customs.own_pairs?.length" class="small" aria-label="Your own pairs">
      <li v-for="(p, i) in customs.own_pairs" :key="p.long + p.short">
        <span
          ><b>{{ name(p.short) }}</b> between {{ name(p.long) }}</span
        >
        <span class="quiet"
          >your own: {{ count(p.weeks, 'week') }}, {{ Math.round(p.share * 100) }} % of the space
          <button type="button" class="link" :aria-label="`Remove ${name(p.short)}`" @click="drop(i)">
            Remove
          </button></span
        >
      </li>
    </ul>
    <form v-if="adding" class="own small" @submit.prevent="add">
      <label class="field"
        ><span>the quick crop</span
        ><ElSelect v-model="draft.short" filterable size="small" aria-label="The quick crop" placeholder="type to find"
          ><ElOption v-for="c in crops" :key="c.id" :value="c.id" :label="c.name" /></ElSelect
      ></label>
      <label class="field"
        ><span>between the slow crop</span
        ><ElSelect v-model="draft.long" filterable size="small" aria-label="The slow crop" placeholder="type to find"
          ><ElOption v-for="c in crops" :key="c.id" :value="c.id" :label="c.name" /></ElSelect
      ></label>
      <label class="field"
        ><span>weeks together</span><NumberInput v-model="draft.weeks" unit="weeks" suffix label="Weeks together"
      /></label>
      <label class="field"
        ><span>of its space</span><NumberInput v-model="draft.share" unit="share" suffix label="Share of the space"
      /></label>
      <span class="acts">
        <ElButton size="small" type="primary" native-type="submit" :disabled="!draft.short || !draft.long"
          >Save</ElButton
        >
        <button type="button" class="link" @click="adding = false">Cancel</button>
      </span>
    </form>
    <button v-else type="button" class="link small gap" @click="adding = true">Add your own pair</button>
    <button type="button" class="link small" @click="all = !all">
      {{ all ? 'only pairs you grow' : `all ${pairs.length} of the book` }}
    </button>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.bent {
  width: 24rem;
  max-width: 100%;
}
ul {
  list-style: none;
  margin: var(--space-2) 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 17rem minmax(0, 1fr);
  gap: 0 var(--space-6);
  border-top: 1px solid var(--hair);
  align-items: baseline;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  margin: var(--space-4) 0;
}
.own .el-select {
  width: 13rem;
}
.own .acts {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
.gap {
  margin-right: var(--space-6);
}
@container leaf (max-width: 620px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
