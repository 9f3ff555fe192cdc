<script setup lang="ts">
// The crop book: every crop and preparation with its figures. What the household
// has overruled is marked; its own crops and preparations start from a row.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { until } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { api, type BookCrop } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useFind } from '../../lib/find'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useUnits } from '../../lib/units'
import { capital, familyName } from '../../lib/words'
import HabitForm from '../sowings/HabitForm.vue'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import BookChanges from './BookChanges.vue'
import BookEntry from './BookEntry.vue'
import BookFigures from './BookFigures.vue'
import { changed, holds, orders, sunOf } from './bookorder'
import OwnForm from './OwnForm.vue'

const store = useHousehold()
const { render, say } = useUnits()
const { data: book, wrong: missing } = useAnswer(
  'book',
  () => true,
  (_, signal) => api.GET('/book', { signal }),
)
const refused = ref('')
const wrong = computed(() => refused.value || missing.value)
const find = useFind()
const which = ref<'crops' | 'preparations'>('crops')
const only = ref<'all' | 'own'>('all')
const open = ref('')
const making = ref('')
const finder = ref<InstanceType<typeof ElInput>>()

/** Crops of one season are sown; patches and shoots are not grown by such rules. */
const seasonal = (c: BookCrop) => c.figures.some((f) => f.field === 'winter')
const has = (...texts: string[]) => holds(find.value, texts)
const depth = (c: BookCrop) => (c.depth_cm ? `${say(c.depth_cm, 'cm')} deep` : '')
const sort = ref('book')
const crops = computed(() =>
  (book.value?.crops ?? [])
    .filter(
      (c) =>
        has(
          c.name,
          c.food,
          c.botanical,
          c.family,
          familyName(store.crops, c.family),
          c.group,
          sunOf[c.sun],
          depth(c),
        ) &&
        (only.value === 'all' || c.own || changed(c) > 0),
    )
    .sort(orders.find((o) => o.value === sort.value)?.by),
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
  refused.value = p
    ? `It is still used by a wish, a patch or something on the shelf. Remove that first. ${p.detail}`
    : ''
  if (!p) open.value = ''
}

async function made(id: string) {
  making.value = ''
  open.value = id
  await until(
    () => book.value?.crops.some((c) => c.id === id) || book.value?.preparations.some((p) => p.id === id),
  ).toBeTruthy()
  await nextTick()
  document.querySelector(`[data-book="${id}"]`)?.scrollIntoView({ block: 'center' })
}

useKeys([{ keys: 'f', does: 'find in the book', run: () => finder.value?.focus() }])
</script>

<template>
  <section class="book" aria-label="Crop book">
    <div class="top">
      <RouterLink to="/house" class="link small">‹ House</RouterLink>
      <h2 tabindex="-1">Crop book</h2>
      <span class="quiet small">usual home-garden figures. Your records and mine figures replace them.</span>
    </div>
    <BookChanges />
    <div class="bar no-print">
      <ElInput
        ref="finder"
        v-model="find"
        placeholder="Find a name, a family or a use"
        aria-label="Find in the book"
        clearable
        @keydown.esc="find = ''"
      />
      <ChoiceButtons
        v-model="which"
        label="Which part"
        :options="[
          { value: 'crops', words: `crops ${crops.length}` },
          { value: 'preparations', words: `preparations ${preparations.length}` },
        ]"
      />
      <ElSelect v-model="only" size="small" aria-label="Which entries">
        <ElOption value="all" label="all entries" />
        <ElOption value="own" label="mine and changed" />
      </ElSelect>
      <ElSelect v-if="which === 'crops'" v-model="sort" size="small" aria-label="Sorted by">
        <ElOption v-for="o in orders" :key="o.value" :value="o.value" :label="o.words" />
      </ElSelect>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="book && !shown" class="empty">Nothing in the book has “{{ find }}” in it.</p>

    <template v-if="which === 'crops'">
      <BookEntry
        v-for="c in crops"
        :id="c.id"
        :key="c.id"
        :name="c.name"
        :latin="c.botanical"
        :group="[familyName(store.crops, c.family), sunOf[c.sun], depth(c)].filter(Boolean).join(' · ')"
        :own="c.own ? 'mine' : ''"
        :overruled="changed(c)"
        :basis="c.basis"
        :open="open === c.id"
        @toggle="open = open === c.id ? '' : c.id"
      >
        <p class="small quiet">{{ c.facts.map((f) => render(f)).join(' · ') }}</p>
        <BookFigures :subject="'crop/' + c.id" :name="c.name" :figures="c.figures" />
        <HabitForm v-if="seasonal(c)" :crop="c.id" ask />
        <template #acts>
          <button type="button" class="link" @click="making = making === c.id ? '' : c.id">
            Add my own variety based on this
          </button>
          <button v-if="c.own" type="button" class="link warn" @click="removeOwn('own-crop', c.id)">Remove</button>
        </template>
        <template #below>
          <OwnForm
            v-if="making === c.id"
            kind="own-crop"
            :from="c.own ? c.from : c.id"
            :food="c.food"
            @made="made"
            @close="making = ''"
          />
        </template>
      </BookEntry>
    </template>
    <template v-else>
      <BookEntry
        v-for="p in preparations"
        :id="p.id"
        :key="p.id"
        :name="p.name"
        :latin="p.form"
        :group="p.method.replace('-', ' ')"
        :own="p.own ? 'not a tested recipe' : ''"
        :overruled="changed(p)"
        :basis="p.basis"
        :open="open === p.id"
        @toggle="open = open === p.id ? '' : p.id"
      >
        <p class="small quiet">
          Of {{ p.crops.join(', or ') }}<template v-if="p.parts.length">; with {{ p.parts.join(' and ') }}</template>
        </p>
        <BookFigures :subject="'preparation/' + p.id" :name="p.name" :figures="p.figures" />
        <ul class="cautions small">
          <li v-for="id in p.cautions" :key="id">
            <strong>{{ capital(cautionOf(id)?.topic ?? '') }}.</strong> {{ cautionOf(id)?.text }}
          </li>
        </ul>
        <template #acts>
          <button type="button" class="link" @click="making = making === p.id ? '' : p.id">
            Add my own preparation based on this
          </button>
          <button v-if="p.own" type="button" class="link warn" @click="removeOwn('own-preparation', p.id)">
            Remove
          </button>
        </template>
        <template #below>
          <OwnForm
            v-if="making === p.id"
            kind="own-preparation"
            :from="p.own ? p.from : p.id"
            @made="made"
            @close="making = ''"
          />
        </template>
      </BookEntry>
    </template>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: var(--space-3) var(--space-6);
}
h2 {
  font-size: var(--type-head);
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  align-items: center;
  margin: var(--space-4) 0 var(--space-4);
  position: sticky;
  top: 3.6rem;
  background: var(--paper);
  padding: var(--space-3) 0;
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
.cautions {
  margin: 0;
  padding-left: var(--space-6);
  color: var(--ink-2);
}
.empty {
  padding: var(--space-6) 0;
  font-family: var(--serif);
}
@media (max-width: 720px) {
  .bar {
    position: static;
  }
}
</style>
