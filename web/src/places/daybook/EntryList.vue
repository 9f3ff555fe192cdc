<script setup lang="ts">
// What was recorded from one day to another, each entry with a way to take it back.
import { computed, ref } from 'vue'
import { api, type ToldEntry } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { atOnePress } from '../../lib/went'
import { capital, day, dayNumber, fullDay } from '../../lib/words'
import PhotoStrip from '../../parts/PhotoStrip.vue'

const props = defineProps<{
  from: string
  to: string
  title: string
  find?: string
  kind?: Kind
  bed?: string
  food?: string
  few?: number // that are shown before one asks for all
}>()
type Kind = 'harvest' | 'use' | 'put-up' | 'draw' | 'note' | 'photographs' | 'lessons'
const store = useHousehold()
const { render, say } = useUnits()
const refused = ref('')
const { data: told } = useAnswer(
  'entries',
  () => ({
    from: props.from,
    to: props.to,
    find: props.find || undefined,
    kind: props.kind,
    bed: props.bed || undefined,
    food: props.food,
  }),
  (span, signal) => api.GET('/entries', { params: { query: span }, signal }),
)
const all = ref(false)
const entries = computed(() => {
  const list = told.value?.entries
  return props.few && !all.value ? list?.slice(0, props.few) : list
})
const hidden = computed(() => (told.value?.entries.length ?? 0) - (entries.value?.length ?? 0))
const thisYear = (iso: string) => iso.slice(0, 4) === (store.plan?.as_of ?? '').slice(0, 4)
/** Of what came in long ago nobody says any more where it went. */
const askedFor = 21
const lately = (iso: string) => dayNumber(store.plan?.as_of ?? iso) - dayNumber(iso) <= askedFor
const several = computed(() => props.from !== props.to)

/** Where what an entry brought in can have gone. */
const places = (e: ToldEntry) => atOnePress.filter((w) => w.to !== 'storage' || e.keeps)

/** Says where all that is left of what came in went. */
async function say_(e: ToldEntry, to: string) {
  const problem = await store.record({
    entries: [{ id: '', act: 'use', day: store.plan?.as_of ?? e.day, food: e.food, crop: e.crop, gram: e.left, to }],
  })
  refused.value = problem ? (problem.fields?.[0]?.allowed ?? problem.detail) : ''
}

async function remove(id: string) {
  refused.value = wordsOf(await store.edit({ command: 'remove-entry', target: id }))
}
</script>

<template>
  <section v-if="entries?.length" :aria-label="title">
    <h3>{{ title }}</h3>
    <ul class="entries">
      <li v-for="e in entries" :key="e.id" :data-entry="e.act">
        <span>
          {{ capital(render(e.words)) }}
          <span v-if="e.left > 0 && lately(e.day)" class="where small no-print">
            <span class="quiet">{{ say(e.left / 1000, 'kg') }} not recorded:</span>
            <button v-for="w in places(e)" :key="w.to" type="button" class="link" @click="say_(e, w.to)">
              {{ w.words }}
            </button>
          </span>
          <span v-if="e.note && e.act !== 'note'" class="quiet small">{{ e.note }}</span>
          <span v-if="e.lesson" class="quiet small">a lesson</span>
          <PhotoStrip v-if="e.photos?.length" :ids="e.photos" :words="e.note || render(e.words)" />
        </span>
        <span class="small quiet when"
          >{{ several ? (thisYear(e.day) ? day(e.day) : fullDay(e.day)) : '' }}
          <button type="button" class="link no-print" :aria-label="`Remove: ${render(e.words)}`" @click="remove(e.id)">
            Remove
          </button></span
        >
      </li>
    </ul>
    <button v-if="hidden > 0" type="button" class="link small no-print" @click="all = true">{{ hidden }} more</button>
    <p v-if="told?.more" class="quiet small">
      Only the newest are shown. Search, or choose fewer days, to see older ones.
    </p>
    <p v-if="refused" class="wrong" role="alert">{{ capital(refused) }}</p>
  </section>
  <p v-else-if="(find || kind || bed) && entries" class="quiet">
    No entry in these days {{ find ? `holds “${find}”` : 'is of this type'
    }}{{ kind || bed ? ' among those chosen' : '' }}.
  </p>
  <p v-if="told?.sowings?.length" class="small found">
    Sowings found:
    <template v-for="(x, i) in told.sowings" :key="x.id"
      >{{ i ? ', ' : '' }}<RouterLink :to="`/daybook/crop/${encodeURIComponent(x.food)}`">{{ x.name }}</RouterLink>
      <span class="quiet"> {{ fullDay(x.day) }}</span></template
    >
  </p>
  <p v-if="told?.lots?.length" class="small found">
    On the shelf:
    <template v-for="(x, i) in told.lots" :key="x.id"
      >{{ i ? ', ' : '' }}<RouterLink :to="{ path: '/shelves', query: { lot: x.id } }">{{ x.name }}</RouterLink>
      <span class="quiet"> {{ fullDay(x.day) }}</span></template
    >
  </p>
</template>

<style scoped>
h3 {
  margin: 0;
  padding: var(--space-5) 0 var(--space-1);
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-large);
}
.entries {
  list-style: none;
  margin: 0;
  padding: 0;
}
.entries li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-4);
  padding: var(--space-2) 0;
  border-bottom: 1px solid var(--hair);
}
.where {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
}
@media (max-width: 640px) {
  .where .link {
    min-height: 48px;
  }
}
.when {
  white-space: nowrap;
}
</style>
