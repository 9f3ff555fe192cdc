<script setup lang="ts">
// When pests were first seen, and what may keep them off next year.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive, ref } from 'vue'
import { api, type Sighting } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useForesight } from '../../lib/foresight'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useRows } from '../../lib/rowedit'
import { dated } from '../../lib/words'
import DateField from '../../parts/DateField.vue'
import ForesightPanel from '../../parts/ForesightPanel.vue'

const store = useHousehold()
const { rows, wrong, add, remove } = useRows('sighting', () => store.household?.sightings ?? [])
const today = computed(() => store.plan?.as_of ?? '')
const beds = computed(() => store.household?.beds ?? [])
const planned = computed(() => new Set((store.plan?.sowings ?? []).map((s) => s.crop)))
const crops = computed(() => [...store.crops].sort((a, b) => a.name.localeCompare(b.name)))
const nameOf = (id: string) => store.crops.find((c) => c.id === id)?.name ?? id
const bedOf = (id?: string) => beds.value.find((b) => b.id === id)?.name

const fresh = (): Sighting => ({ id: '', pest: '', crop: '', bed: '', day: today.value })
const next = reactive(fresh())
async function addOne() {
  if (await add({ ...next })) Object.assign(next, fresh())
}

/** The sighting whose ways are shown. */
const open = ref('')
const { data: ways } = useAnswer(
  'protections',
  () => open.value || undefined,
  (sighting, signal) => api.GET('/protections', { params: { query: { sighting } }, signal }),
  () => false,
)
const { change, found, wrong: cannot, propose, drop } = useForesight()
const refused = ref('')
async function take() {
  if (!change.value) return
  refused.value = wordsOf(await store.edit({ ...change.value } as Parameters<typeof store.edit>[0]))
  if (!refused.value) drop()
}
</script>

<template>
  <section aria-label="Pests first seen">
    <h3>Pests first seen</h3>
    <p v-if="!rows.length" class="quiet small">
      None yet. Enter the day on which you first see a pest. Most come back within days of the same date, so next year a
      net or another date can keep them off. For any spray, the label and local advice decide.
    </p>
    <ul v-else>
      <li v-for="r in rows" :key="r.value.id" class="seen" :data-seen="r.value.pest">
        <p>
          <b>{{ r.value.pest }}</b> on {{ nameOf(r.value.crop).toLowerCase()
          }}{{ bedOf(r.value.bed) ? ` in ${bedOf(r.value.bed)}` : '' }}, {{ dated(r.value.day, today) }}
          <button
            type="button"
            class="link"
            :aria-expanded="open === r.value.id"
            @click="
              () => {
                open = open === r.value.id ? '' : r.value.id
                drop()
              }
            "
          >
            What keeps it off next year?
          </button>
          <button type="button" class="link" :aria-label="`Remove ${r.value.pest}`" @click="remove(r.value.id)">
            Remove
          </button>
        </p>
        <ul v-if="open === r.value.id" class="ways">
          <li v-for="w in ways ?? []" :key="w.words">
            {{ w.words }} <button type="button" class="link" @click="propose(w.change)">See what that changes</button>
          </li>
        </ul>
        <ForesightPanel
          v-if="open === r.value.id && change"
          :what="r.value.pest"
          :found="found"
          @take="take"
          @leave="drop"
        />
        <p v-if="open === r.value.id && (cannot || refused)" class="wrong" role="alert">{{ cannot || refused }}</p>
      </li>
    </ul>
    <form class="new no-print" @submit.prevent="addOne">
      <ElInput
        v-model="next.pest"
        size="small"
        maxlength="60"
        placeholder="flea beetle"
        aria-label="Which pest did you see?"
      />
      <ElSelect v-model="next.crop" size="small" filterable placeholder="on which crop" aria-label="On which crop">
        <ElOption
          v-for="c in crops"
          :key="c.id"
          :value="c.id"
          :label="planned.has(c.id) ? c.name : c.name + ' (not planned)'"
        />
      </ElSelect>
      <ElSelect
        v-if="beds.length"
        v-model="next.bed"
        size="small"
        clearable
        placeholder="in which bed"
        aria-label="In which bed was it"
      >
        <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" />
      </ElSelect>
      <DateField v-model="next.day" label="First seen on" :max="today" />
      <ElButton native-type="submit" size="small" type="primary" :disabled="!next.pest.trim() || !next.crop"
        >Enter it</ElButton
      >
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.seen {
  border-bottom: 1px solid var(--hair);
  padding: var(--space-2) 0;
}
.seen p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  align-items: baseline;
  margin: 0;
}
.ways {
  padding-left: var(--space-6);
}
.new {
  display: grid;
  grid-template-columns: minmax(9rem, 1fr) 12rem 9rem auto auto;
  gap: var(--space-3) var(--space-5);
  align-items: end;
  padding-top: var(--space-3);
}
@media (max-width: 860px) {
  .new {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
