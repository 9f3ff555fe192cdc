<script setup lang="ts">
// The crop book: every crop and preparation with its figures. What the household
// has overruled is marked; its own crops and preparations start from a row.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { answer, api, Refused, type BookCrop, type BookPreparation, type CropBook } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'
import { capital, count } from '../../lib/words'
import HabitForm from '../sowings/HabitForm.vue'
import BookFigures from './BookFigures.vue'
import OwnForm from './OwnForm.vue'

const store = useHousehold()
const { render } = useUnits()
const book = ref<CropBook>()
const wrong = ref('')
const find = ref('')
const which = ref<'crops' | 'preparations'>('crops')
const only = ref<'all' | 'own'>('all')
const open = ref('')
const making = ref('')
const finder = ref<InstanceType<typeof ElInput>>()

async function load() {
  try {
    book.value = await answer(() => api.GET('/book'))
    wrong.value = ''
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    wrong.value = e.problem.detail
  }
}
onMounted(load)
watch(() => store.state?.revision, load)

/** Crops of one season are sown; patches and shoots are not grown by such rules. */
const seasonal = (c: BookCrop) => c.figures.some((f) => f.field === 'winter')
const changed = (x: BookCrop | BookPreparation) => x.figures.filter((f) => f.set).length
const has = (...texts: string[]) => {
  const words = find.value.trim().toLowerCase().split(/\s+/)
  const all = texts.join(' ').toLowerCase()
  return words.every((w) => all.includes(w))
}
const crops = computed(() =>
  (book.value?.crops ?? []).filter(
    (c) => has(c.name, c.food, c.botanical, c.family, c.group) && (only.value === 'all' || c.own || changed(c) > 0),
  ),
)
const preparations = computed(() =>
  (book.value?.preparations ?? []).filter(
    (p) => has(p.name, p.form, p.method, ...p.crops) && (only.value === 'all' || p.own || changed(p) > 0),
  ),
)
const shown = computed(() => (which.value === 'crops' ? crops.value.length : preparations.value.length))
const cautionOf = (id: string) => store.reference?.cautions.find((c) => c.id === id)

async function removeOwn(kind: 'own-crop' | 'own-preparation', id: string) {
  const p = await store.edit({ command: `remove-${kind}`, target: id })
  wrong.value = p ? `It cannot go while a wish, a patch or a lot of it is there. ${p.detail}` : ''
  if (!p) open.value = ''
}

async function made(id: string) {
  making.value = ''
  await load()
  open.value = id
  await nextTick()
  document.querySelector(`[data-book="${id}"]`)?.scrollIntoView({ block: 'center' })
}

useKeys([{ keys: '/', does: 'find in the book', run: () => finder.value?.focus() }])
</script>

<template>
  <section class="book" aria-label="Crop book">
    <div class="top">
      <RouterLink to="/house" class="link small">‹ House</RouterLink>
      <h2 tabindex="-1">Crop book</h2>
      <span class="quiet small">usual home-garden figures; your own log and your own word go before them</span>
    </div>
    <details class="small how">
      <summary>How the seasons follow from these figures, and what changed</summary>
      <ul>
        <li>
          Growth stops in autumn and starts again in spring by warmth and light together. Before, the length of the day
          alone stopped it, and a mild winter looked like a hard one.
        </li>
        <li>
          Heat wears a crop out by degrees: one degree over its limit costs a quarter of a day’s picking, four degrees
          all of it. Before, a single warm month ended it.
        </li>
        <li>
          Crops that may stand through the winter wait and go on in spring, until they run to seed by the length of the
          day. Roots and heads stand for weeks in the cool.
        </li>
        <li>
          What is stored is ready four weeks before the cold, and is lifted when it must be. Before, it was begun on the
          last day that could just do.
        </li>
        <li>
          Ten kinds are new, such as onion sets, autumn onions, wintered sprouting broccoli, popcorn and salsify. What
          you have overruled stays as you set it.
        </li>
      </ul>
    </details>
    <div class="bar no-print">
      <ElInput
        ref="finder"
        v-model="find"
        placeholder="find: a name, a family, a form"
        aria-label="Find in the book"
        clearable
        @keydown.esc="find = ''"
      />
      <div class="choice" role="group" aria-label="Which part">
        <button type="button" class="plain" :aria-pressed="which === 'crops'" @click="which = 'crops'">
          crops {{ crops.length }}
        </button>
        <button type="button" class="plain" :aria-pressed="which === 'preparations'" @click="which = 'preparations'">
          preparations {{ preparations.length }}
        </button>
      </div>
      <ElSelect v-model="only" size="small" aria-label="Which rows">
        <ElOption value="all" label="all rows" />
        <ElOption value="own" label="your own, and overruled" />
      </ElSelect>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="book && !shown" class="empty">Nothing in the book has “{{ find }}” in it.</p>

    <template v-if="which === 'crops'">
      <div v-for="c in crops" :key="c.id" class="entry" :class="{ open: open === c.id }" :data-book="c.id">
        <button
          type="button"
          class="plain head"
          :aria-expanded="open === c.id"
          @click="open = open === c.id ? '' : c.id"
        >
          <span class="name">{{ c.name }}</span>
          <em class="quiet">{{ c.botanical }}</em>
          <span class="quiet small">{{ c.family }}</span>
          <span class="marks small"
            ><span v-if="c.own" class="own">your own</span>
            <span v-if="changed(c)" class="warn">{{ count(changed(c), 'figure') }} overruled</span></span
          >
        </button>
        <div v-if="open === c.id" class="body">
          <p class="small quiet">{{ c.facts.map((f) => render(f)).join(' · ') }}</p>
          <BookFigures :subject="'crop/' + c.id" :name="c.name" :figures="c.figures" />
          <HabitForm v-if="seasonal(c)" :crop="c.id" ask />
          <p class="small quiet">Basis: {{ c.basis }}</p>
          <p class="small acts">
            <button type="button" class="link" @click="making = making === c.id ? '' : c.id">
              start a kind of your own from this row
            </button>
            <button v-if="c.own" type="button" class="link warn" @click="removeOwn('own-crop', c.id)">remove it</button>
          </p>
          <OwnForm
            v-if="making === c.id"
            kind="own-crop"
            :from="c.own ? c.from : c.id"
            :food="c.food"
            @made="made"
            @close="making = ''"
          />
        </div>
      </div>
    </template>
    <template v-else>
      <div v-for="p in preparations" :key="p.id" class="entry" :class="{ open: open === p.id }" :data-book="p.id">
        <button
          type="button"
          class="plain head"
          :aria-expanded="open === p.id"
          @click="open = open === p.id ? '' : p.id"
        >
          <span class="name">{{ p.name }}</span>
          <em class="quiet">{{ p.form }}</em>
          <span class="quiet small">{{ p.method.replace('-', ' ') }}</span>
          <span class="marks small"
            ><span v-if="p.own" class="own">not a tested recipe</span>
            <span v-if="changed(p)" class="warn">{{ count(changed(p), 'figure') }} overruled</span></span
          >
        </button>
        <div v-if="open === p.id" class="body">
          <p class="small quiet">
            Of {{ p.crops.join(', or ') }}<template v-if="p.parts.length">; with {{ p.parts.join(' and ') }}</template>
          </p>
          <BookFigures :subject="'preparation/' + p.id" :name="p.name" :figures="p.figures" />
          <ul class="cautions small">
            <li v-for="id in p.cautions" :key="id">
              <strong>{{ capital(cautionOf(id)?.topic ?? '') }}.</strong> {{ cautionOf(id)?.text }}
            </li>
          </ul>
          <p class="small quiet">Basis: {{ p.basis }}</p>
          <p class="small acts">
            <button type="button" class="link" @click="making = making === p.id ? '' : p.id">
              start a preparation of your own from this row
            </button>
            <button v-if="p.own" type="button" class="link warn" @click="removeOwn('own-preparation', p.id)">
              remove it
            </button>
          </p>
          <OwnForm
            v-if="making === p.id"
            kind="own-preparation"
            :from="p.own ? p.from : p.id"
            @made="made"
            @close="making = ''"
          />
        </div>
      </div>
    </template>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.3rem 1rem;
}
h2 {
  font-size: 1.3rem;
}
.how {
  margin: 0.3rem 0;
}
.how ul {
  margin: 0.2rem 0;
  padding-left: 1.1rem;
  max-width: 60rem;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.2rem;
  align-items: center;
  margin: 0.5rem 0 0.6rem;
  position: sticky;
  top: 3.6rem;
  background: var(--paper);
  padding: 0.3rem 0;
  z-index: 5;
}
.bar .el-input {
  flex: 1;
  min-width: 12rem;
  max-width: 24rem;
}
.bar .el-select {
  width: 13rem;
}
.entry {
  border-bottom: 1px solid var(--hair);
}
.entry.open {
  background: var(--sheet);
  border-left: 3px solid var(--accent);
}
.head {
  width: 100%;
  display: grid;
  grid-template-columns: minmax(10rem, 1.6fr) minmax(8rem, 1.2fr) minmax(6rem, 0.9fr) auto;
  gap: 0.8rem;
  padding: 0.28rem 0.4rem;
  align-items: baseline;
}
.head:hover {
  background: color-mix(in srgb, var(--wash) 55%, transparent);
}
.name {
  font-family: var(--serif);
  font-size: 1.02rem;
}
.marks {
  display: flex;
  gap: 0.8rem;
}
.own {
  font-weight: 650;
}
.body {
  padding: 0.1rem 0.9rem 0.8rem;
  display: grid;
  gap: 0.45rem;
}
.cautions {
  margin: 0;
  padding-left: 1.1rem;
  color: var(--ink-2);
}
.acts {
  display: flex;
  gap: 1.2rem;
}
.empty {
  padding: 1.5rem 0;
  font-family: var(--serif);
}
@media (max-width: 720px) {
  .bar {
    position: static;
  }
  .head {
    grid-template-columns: minmax(0, 1fr) auto;
    min-height: 44px;
  }
  .head .small:not(.marks) {
    display: none;
  }
}
</style>
