<script setup lang="ts">
// What the household does for its crops while they grow: a list for each crop, chosen from a usual
// set or of its own.
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type CareStep } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { stepWords } from '../../lib/care'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import CareStepRow from './CareStepRow.vue'

const store = useHousehold()
const route = useRoute()
const { rows, wrong, save, add, remove } = useRows('care-step', () => store.household?.care ?? [])

/** The crops of the plan, then the rest of the book. */
const crops = computed(() => {
  const planned = new Set((store.plan?.sowings ?? []).map((s) => s.crop))
  const name = (c: { id: string; name: string }) => ({ id: c.id, name: c.name, planned: planned.has(c.id) })
  return store.crops.map(name).sort((a, b) => Number(b.planned) - Number(a.planned) || a.name.localeCompare(b.name))
})
const crop = ref(typeof route.query.crop === 'string' ? route.query.crop : '')
const chosen = computed(() => crop.value || crops.value[0]?.id || '')
const nameOf = (id: string) => store.crops.find((c) => c.id === id)?.name ?? id

const { data: usual } = useAnswer(
  'usual-care',
  () => chosen.value || undefined,
  (id, signal) => api.GET('/usual-care', { params: { query: { crop: id } }, signal }),
  () => false,
)
/** The usual steps that the crop's list does not have. */
const offered = computed(() => (usual.value ?? []).filter((u) => !mine.value.some((r) => r.value.do === u.do)))
const mine = computed(() => rows.filter((r) => r.value.crop === chosen.value))
/** The other crops that have a list, with how long it is. */
const others = computed(() => {
  const out = new Map<string, number>()
  for (const r of rows) if (r.value.crop !== chosen.value) out.set(r.value.crop, (out.get(r.value.crop) ?? 0) + 1)
  return [...out].map(([id, steps]) => ({ id, name: nameOf(id), steps }))
})
const take = (s: CareStep) => add({ ...s, id: '' })
const own = () =>
  add({ id: '', crop: chosen.value, do: 'Look after it', from: 'in-bed', days: 14, minutes: 5, per: 'once' })
</script>

<template>
  <section aria-label="Care by crop">
    <h3>Care by crop</h3>
    <p class="pick">
      <label class="field crop"
        ><span>What we do for</span
        ><ElSelect
          :model-value="chosen"
          size="small"
          filterable
          aria-label="Which crop"
          @change="(v: string) => (crop = v)"
        >
          <ElOption
            v-for="c in crops"
            :key="c.id"
            :value="c.id"
            :label="c.planned ? c.name : c.name + ' (not planned)'"
          /> </ElSelect
      ></label>
      <span v-if="others.length" class="small"
        >Lists of yours:
        <template v-for="(o, i) in others" :key="o.id"
          >{{ i ? ', ' : '' }}<button type="button" class="link" @click="crop = o.id">{{ o.name }}</button> ({{
            o.steps
          }})</template
        ></span
      >
    </p>
    <ul v-if="mine.length">
      <CareStepRow
        v-for="r in mine"
        :key="r.value.id"
        v-model="r.value"
        :wrong="r.wrong"
        @done="save(rows.indexOf(r))"
        @remove="remove(r.value.id)"
      />
    </ul>
    <p v-else class="quiet none">
      Nothing beyond sowing, thinning, tying and picking. Choose from what many gardeners do, or add your own step.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ul v-if="offered.length" class="usual small" aria-label="What many gardeners do">
      <li v-for="u in offered" :key="u.id">
        <button type="button" class="link" :aria-label="`Use: ${u.do}`" @click="take(u)">Use</button>
        <span
          ><b>{{ u.do }}</b> <span class="quiet">{{ stepWords(u) }}</span></span
        >
      </li>
    </ul>
    <button type="button" class="link add" @click="own">Add a step of your own</button>
  </section>
</template>

<style scoped>
.pick {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: end;
  padding: var(--space-3) 0;
}
.crop {
  width: 16rem;
}
.usual {
  columns: 24rem;
  column-gap: var(--space-7);
  padding: var(--space-3) 0;
}
.usual li {
  display: flex;
  gap: var(--space-4);
  align-items: baseline;
  break-inside: avoid;
  padding: var(--space-1) 0;
}
</style>
