<script setup lang="ts">
// One sowing on the ground: where it stands and when, what came before and comes
// next, and the bed it may be put in by hand.
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import type { Piece, Problem } from '../../lib/api'
import { otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'

const props = defineProps<{ sowing: string; pieces: Piece[] }>()
const emit = defineEmits<{ close: [] }>()
const store = useHousehold()
const { say } = useUnits()
const problem = ref<Problem>()
const wanted = ref('')
watch(
  () => props.sowing,
  () => {
    problem.value = undefined
    wanted.value = ''
  },
)

const s = computed(() => store.plan?.sowings.find((x) => x.id === props.sowing))
const names = computed(() => new Map((store.plan?.sowings ?? []).map((x) => [x.id, x.crop_name])))
const beds = computed(() => store.household?.beds ?? [])
const bedName = (id: string) => beds.value.find((b) => b.id === id)?.name ?? ''
const mine = computed(() => props.pieces.filter((p) => p.planting === props.sowing))
const held = computed(() => store.household?.placements.some((p) => p.sowing === props.sowing))
/** What lies on some of the same ground, the last before and the first after. */
const beside = computed(() => {
  const shares = (a: Piece, b: Piece) =>
    a.bed === b.bed && a.at < b.at + b.length - 0.001 && b.at < a.at + a.length - 0.001
  const others = props.pieces.filter((p) => mine.value.some((m) => shares(m, p)) && p.planting !== props.sowing)
  const before = others
    .filter((p) => mine.value.some((m) => p.to <= m.from))
    .sort((a, b) => b.to.localeCompare(a.to))[0]
  const after = others
    .filter((p) => mine.value.some((m) => p.from >= m.to))
    .sort((a, b) => a.from.localeCompare(b.from))[0]
  return { before, after }
})

async function put(bend: boolean) {
  if (!wanted.value) return
  problem.value = await store.place(props.sowing, wanted.value, bend)
}
async function letGo() {
  problem.value = await store.edit({ command: 'remove-placement', target: props.sowing })
}
/** What is in the way, in the binary's own words; only the rotation may be bent. */
const refusal = computed(() => problem.value?.fields?.[0])
</script>

<template>
  <aside v-if="s" class="card" :data-card="sowing" aria-label="A sowing on the ground">
    <h3>
      {{ s.crop_name }} <span class="quiet small">begun {{ day(s.date) }}, {{ count(s.plants, 'plant') }}</span>
      <button type="button" class="link small" @click="emit('close')">close</button>
    </h3>
    <ul v-if="mine.length" class="where">
      <li v-for="p in mine" :key="p.bed + p.at">
        <b>{{ bedName(p.bed) }}</b>, {{ say(p.length, 'm') }} from {{ say(p.at, 'm') }} on, {{ day(p.from) }} to
        {{ day(p.to) }}
        <span v-if="p.held" class="by-hand">held by hand</span>
        <span v-if="p.bent" class="warn">rotation bent: its family stood here in {{ p.bent }}</span>
        <span v-for="f in p.faults ?? []" :key="f" class="warn">{{ f }}</span>
      </li>
    </ul>
    <p v-else class="warn">It has found no ground.</p>
    <p class="quiet small">
      <template v-if="beside.before"
        >Before it: {{ names.get(beside.before.planting) }}, until {{ day(beside.before.to) }}.
      </template>
      <template v-if="beside.after"
        >Next: {{ names.get(beside.after.planting) }}, from {{ day(beside.after.from) }}.</template
      >
    </p>
    <div class="put no-print">
      <ElSelect
        v-model="wanted"
        size="small"
        placeholder="put it in another bed"
        aria-label="Put it in another bed"
        @change="put(false)"
      >
        <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" />
      </ElSelect>
      <button v-if="held" type="button" class="link" @click="letGo">let it find its own bed again</button>
    </div>
    <p v-if="problem" class="wrong" role="alert">
      {{ refusal ? `${refusal.value} cannot be; wanted: ${refusal.allowed}.` : otherErrors(problem) || problem.detail }}
      <ElButton v-if="refusal?.field === 'bend'" size="small" @click="put(true)">Bend the rotation</ElButton>
    </p>
  </aside>
</template>

<style scoped>
.card {
  border-left: 3px solid var(--accent);
  background: var(--sheet);
  padding: 0.4rem 0.9rem 0.6rem;
  margin: 0.5rem 0;
}
h3 {
  display: flex;
  gap: 0.8rem;
  align-items: baseline;
}
h3 .link {
  margin-left: auto;
}
.where {
  list-style: none;
  margin: 0;
  padding: 0;
}
.warn {
  color: var(--accent);
  margin-left: 0.6rem;
}
.by-hand {
  margin-left: 0.6rem;
  font-style: italic;
}
.put {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
}
.put .el-select {
  width: 14rem;
}
</style>
