<script setup lang="ts">
// What the household bends and what it plants together.
import { ElCheckbox, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { useHousehold, wordsOf } from '../../lib/household'
import { useCustoms } from '../../lib/customs'
import { count } from '../../lib/words'

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
function tick(id: string, on: boolean) {
  const rest = customs.value.pairs.filter((x) => x !== id)
  void set({ pairs: on ? [...rest, id] : rest })
}
</script>

<template>
  <section aria-label="Rules of the ground">
    <h3>What is bent, and what shares ground</h3>
    <label class="field bent"
      ><span>families whose rotation is not kept</span>
      <ElSelect
        :model-value="customs.bent"
        multiple
        filterable
        size="small"
        placeholder="none: it is kept for all"
        aria-label="Families whose rotation is not kept"
        @change="set({ bent: $event })"
      >
        <ElOption v-for="f in families" :key="f" :value="f" :label="f" />
      </ElSelect>
    </label>
    <p class="quiet small">
      A quick crop may stand between a slow one for its first weeks, where you tick it: for so many weeks and on so much
      of its ground as said.
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
          >{{ count(p.weeks, 'week') }}, {{ Math.round(p.room * 100) }} % of the ground{{
            p.timing === 'tricky' ? ', needs care' : ''
          }}. {{ p.why }}</span
        >
      </li>
    </ul>
    <button type="button" class="link small" @click="all = !all">
      {{ all ? 'only those whose crops are both grown' : `all ${pairs.length} of the book` }}
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
  margin: 0.2rem 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 17rem minmax(0, 1fr);
  gap: 0 1rem;
  border-top: 1px solid var(--hair);
  align-items: baseline;
}
@container leaf (max-width: 620px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
