<script setup lang="ts">
import { useDocumentVisibility, useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDrawer } from './lib/drawer'
import { useHousehold } from './lib/household'
import { useKeys } from './lib/keys'
import FindAnything from './parts/FindAnything.vue'
import KeyHelp from './parts/KeyHelp.vue'
import Notice from './parts/Notice.vue'
import Spine from './parts/Spine.vue'
import Tally from './parts/Tally.vue'
import Textures from './parts/Textures.vue'
import WorkingDrawer from './parts/WorkingDrawer.vue'
import Welcome from './places/begin/Welcome.vue'

const store = useHousehold()
const drawer = useDrawer()
const router = useRouter()
const help = ref(false)
const finding = ref(false)
const page = ref<HTMLElement>()
/** Whether there is a household: told apart from its state, which every edit changes. */
const here = computed(() => !!store.household)
const nobody = computed(() => !!store.state && !here.value)

async function go(path: string) {
  await router.push(path)
  await nextTick()
  document.querySelector<HTMLElement>('main h2')?.focus()
}

/** Opens the working of the number in focus, or of the first one of the row in focus. */
function working() {
  const at = document.activeElement
  const figure =
    at?.closest<HTMLElement>('[data-figure]') ?? at?.closest('[data-row]')?.querySelector<HTMLElement>('[data-figure]')
  if (figure?.dataset.figure) drawer.open(figure.dataset.figure)
}

/** Leaves the field one types in, so that the keys work again; else the drawer. */
function leave() {
  const at = document.activeElement as HTMLElement | null
  if (at && /^(INPUT|TEXTAREA)$/.test(at.tagName)) at.blur()
  else drawer.close()
}

useKeys([
  { keys: 'g t', does: 'go to Table', run: () => go('/table') },
  { keys: 'g y', does: 'go to Year', run: () => go('/year') },
  { keys: 'g s', does: 'go to Sowings', run: () => go('/sowings') },
  { keys: 'g o', does: 'go to Ground', run: () => go('/ground') },
  { keys: 'g d', does: 'go to Daybook', run: () => go('/daybook') },
  { keys: 'g l', does: 'go to Shelves', run: () => go('/shelves') },
  { keys: 'g e', does: 'go to Year’s end', run: () => go('/year-end') },
  { keys: 'g a', does: 'go to Ask', run: () => go('/ask') },
  { keys: 'g b', does: 'go to the crop book', run: () => go('/house/book') },
  { keys: 'g h', does: 'go to House', run: () => go('/house') },
  { keys: '/', does: 'find anything', run: () => (finding.value = here.value) },
  { keys: 'w', does: 'show how the number in focus is worked out', run: working },
  { keys: 'u', does: 'undo', run: () => store.undo() },
  { keys: 'U', does: 'redo', run: () => store.redo() },
  { keys: 'p', does: 'print this page', run: () => window.print() },
  { keys: '?', does: 'all keys', run: () => (help.value = true) },
  { keys: 'Escape', does: 'leave a field, or close the panel', run: leave },
  { keys: '← →', does: 'in a row of weeks: a week back or on' },
])

/** Somebody else may have edited while this window was away; and what waits may be sent now. */
const visible = useDocumentVisibility()
watch(visible, (v) => v === 'visible' && !store.busy && void store.again())

// A place whose script was never fetched cannot be shown without a connection.
const missing = ref('')
router.onError((_, to) => (missing.value = to.fullPath))
router.afterEach(() => (missing.value = ''))

/** Looks every few seconds whether Inventory answers again, while something waits for that. */
const retry = 4000
async function look() {
  if (store.waiting.length && !store.busy) await store.again()
  if (missing.value && (await reachable())) location.assign(missing.value)
}
async function reachable(): Promise<boolean> {
  try {
    return (await fetch('/api/state', { method: 'HEAD', cache: 'no-store' })).status < 500
  } catch {
    return false
  }
}
onMounted(async () => {
  await store.load()
  if (store.waiting.length) await store.again()
})
useEventListener(window, 'online', look)
useIntervalFn(look, retry)
</script>

<template>
  <Textures />
  <div v-if="nobody" class="alone">
    <Notice />
    <Welcome />
  </div>
  <div v-else class="frame" :class="{ drawn: drawer.figure }">
    <a class="skip no-print" href="#page" @click.prevent="page?.focus()">Skip to the page</a>
    <Spine @help="help = true" @find="finding = true" />
    <div class="page">
      <Tally />
      <Notice />
      <main id="page" ref="page" tabindex="-1">
        <p v-if="missing" class="waiting" role="alert" data-missing>
          This page has not been opened on this device yet, and Inventory is not running. It opens when Inventory runs
          again. <button type="button" class="link" @click="look">Try again</button>
        </p>
        <RouterView v-else-if="here" />
        <p v-else-if="!store.problem" class="quiet waiting">Opening your household …</p>
      </main>
    </div>
    <WorkingDrawer v-if="drawer.figure" />
  </div>
  <KeyHelp v-model="help" />
  <FindAnything v-if="here" v-model="finding" />
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: 8.6rem minmax(0, 1fr);
  min-height: 100vh;
}
.frame.drawn {
  grid-template-columns: 8.6rem minmax(0, 1fr) 23rem;
}
.page {
  min-width: 0;
}
.skip {
  position: absolute;
  left: -100vw;
  z-index: 30;
  padding: var(--space-3) var(--space-5);
  background: var(--paper);
}
.skip:focus {
  left: 0;
}
main:focus {
  outline: none;
}
main {
  padding: var(--space-5) var(--space-6) var(--space-8);
  container: leaf / inline-size;
}
.waiting {
  padding: var(--space-7) 0;
}
@media (max-width: 1000px) {
  .frame.drawn {
    grid-template-columns: 8.6rem minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .frame,
  .frame.drawn {
    display: block;
    padding-bottom: var(--foot);
  }
  main {
    padding: var(--space-5) var(--space-5) var(--space-7);
  }
}
</style>
