<script setup lang="ts">
// The sum behind a figure, laid out as on paper. An assumption in it can be
// overruled on the spot and put back.
import { computed, nextTick, ref, watch } from 'vue'
import { chainOf } from '../lib/chain'
import { useDrawer } from '../lib/drawer'
import { useHousehold } from '../lib/household'
import { capital, count } from '../lib/words'
import Figure from './Figure.vue'
import WorkingLines from './WorkingLines.vue'

const drawer = useDrawer()
const store = useHousehold()

const panel = ref<HTMLElement>()

/** The other figures of the same wish or sowing: the whole chain. */
const chain = computed(() => store.plan && chainOf(drawer.figure, store.plan))

/** The figure's title, without the name that stands above it already. */
const heading = computed(() => {
  const title = drawer.working?.title ?? ''
  const at = title.indexOf(': ')
  const rest = chain.value && at > 0 ? title.slice(at + 2) : title
  return capital(rest)
})

const cautions = computed(() => {
  const [kind, id] = drawer.figure.split('/')
  const wish = kind === 'wish' ? id : store.plan?.sowings.find((s) => s.id === id)?.wish
  const ids = store.plan?.wishes.find((w) => w.id === wish)?.cautions ?? []
  return (store.reference?.cautions ?? []).filter((c) => ids.includes(c.id))
})

const putUp = computed(() =>
  cautions.value.some((c) => c.id === 'tested-recipes' || c.id === 'freezing' || c.id === 'drying'),
)

watch(
  () => drawer.figure,
  async (now, was) => {
    if (now && !was) {
      await nextTick()
      panel.value?.focus()
    }
  },
)
</script>

<template>
  <aside ref="panel" class="drawer" tabindex="-1" aria-label="Working" @keydown.esc.stop="drawer.close()">
    <div class="top no-print">
      <button v-if="drawer.trail.length" type="button" class="link small" @click="drawer.back()">← Back</button>
      <span v-else class="quiet small">Working</span>
      <button type="button" class="link small" @click="drawer.close()">Close <kbd>Esc</kbd></button>
    </div>

    <template v-if="chain">
      <p class="about">{{ chain.title }}</p>
      <ol class="chain">
        <li v-for="f in chain.figures" :key="f.figure" :class="{ here: f.figure === drawer.figure }">
          <Figure :value="f.value" :unit="f.unit" :figure="f.figure" :label="f.label" />
          <span class="quiet">{{ f.label }}</span>
        </li>
      </ol>
    </template>

    <p v-if="drawer.problem" class="warn">{{ drawer.problem }}</p>
    <template v-if="drawer.working">
      <h2>{{ heading }}</h2>
      <WorkingLines :key="drawer.figure" :lines="drawer.working.lines" @done="panel?.focus()" />
    </template>

    <details v-if="cautions.length" class="cautions">
      <summary>{{ count(cautions.length, 'caution') }}: please read</summary>
      <p v-if="putUp" class="small quiet">
        These are amounts, not a recipe. Take times and pressures from a current tested recipe.
      </p>
      <div v-for="c in cautions" :key="c.id" class="small">
        <strong>{{ c.topic }}.</strong> {{ c.text }}
      </div>
    </details>
  </aside>
</template>

<style scoped>
.drawer {
  border-left: 1px solid var(--ink-2);
  background: var(--sheet);
  padding: var(--space-4) var(--space-6) var(--space-7);
  overflow-y: auto;
  height: 100vh;
  position: sticky;
  top: 0;
}
.drawer:focus {
  outline: none;
}
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: var(--space-4);
}
.about {
  font-family: var(--serif);
  font-weight: 600;
}
.chain {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  padding: var(--space-3) 0 var(--space-5);
  margin: 0 0 var(--space-5);
  border-bottom: 1px solid var(--hair-2);
}
.chain li {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.chain .quiet {
  font-size: var(--type-tiny);
}
.chain li.here .quiet {
  color: var(--accent);
}
h2 {
  margin-bottom: var(--space-3);
}
.cautions {
  margin-top: var(--space-6);
  border-top: 1px solid var(--hair-2);
  padding-top: var(--space-4);
}
.cautions summary {
  cursor: pointer;
}
.cautions div {
  margin-top: var(--space-4);
}
@media (max-width: 1000px) {
  .drawer {
    position: fixed;
    inset: auto 0 0 0;
    height: min(75vh, 40rem);
    border-left: 0;
    border-top: 2px solid var(--ink);
    z-index: 30;
  }
}
</style>
