<script setup lang="ts">
// The whole table at a glance; after an edit each figure that changed shows by
// how much, for some seconds.
import { useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import { useGround } from '../lib/ground'
import { useHousehold } from '../lib/household'
import { useUnits } from '../lib/units'
import { sideOf } from '../lib/tally'
import { day } from '../lib/words'
import Figure from './Figure.vue'

const store = useHousehold()
const ground = useGround()
const { say, quantity } = useUnits()
/** Whether the changes of the last edit are shown. */
const { isPending: showing, start: show, stop: hide } = useTimeoutFn(() => undefined, 12_000, { immediate: false })

/** What had ground before the last edit; nothing where that was not worked out yet. */
const grownBefore = shallowRef<typeof ground.fed>()
watch(
  () => store.state,
  (_, was) => {
    grownBefore.value = ground.layout && ground.layout.revision === was?.revision ? ground.fed : undefined
    if (store.before) show()
    else hide()
  },
)

/** Weeks are fed, and jars filled, only from what has ground; without beds it is said. */
const fedWords = computed(() => {
  if (!store.household?.beds.length) return 'weeks fed, if there is room for all'
  return ground.lost.weeks > 0 ? `weeks fed; no room for ${ground.lost.weeks} more` : 'weeks fed'
})

const figures = computed(() => {
  const t = store.plan?.tally
  if (!t) return []
  const b = showing.value ? store.before : undefined
  const row = (
    key: 'weeks_fed' | 'plants' | 'area' | 'jars' | 'freezer' | 'sowings',
    unit: string,
    label: string,
    figure?: string,
  ) => {
    const byGround = key === 'weeks_fed' || key === 'jars' ? key : undefined
    const asks = byGround && !!store.household?.beds.length
    const grown = asks ? ground.fed?.[byGround] : undefined
    let change = b ? t[key] - b[key] : 0
    if (b && asks) {
      const was = grownBefore.value?.[byGround]
      change = ground.old || grown === undefined || was === undefined ? 0 : grown - was
    }
    return {
      key,
      value: grown ?? t[key],
      pending: !!asks && !ground.wrong && ground.old,
      unit,
      label,
      figure,
      side: Math.abs(change) < 1e-6 ? '' : sideOf(key, change),
      short: { weeks_fed: 'fed', plants: 'plants', area: 'bed space', jars: 'jars', freezer: '', sowings: '' }[key],
      change: Math.abs(change) < 1e-6 ? '' : (change > 0 ? '+' : '−') + say(Math.abs(change), unit),
      of:
        key === 'weeks_fed'
          ? String(t.weeks_wanted)
          : key === 'area' && ground.layout?.owned
            ? quantity(ground.layout.owned, 'm²').number
            : '',
    }
  }
  return [
    row('weeks_fed', '', fedWords.value, 'tally/weeks_fed'),
    row('plants', '', 'plants', 'tally/plants'),
    row('area', 'm²', `bed space, fullest week (from ${day(store.plan?.weeks[t.area_week])})`, 'tally/area'),
    row('jars', '', 'jars to fill', 'tally/jars'),
    ...(t.freezer > 0 || (b && b.freezer > 0)
      ? [row('freezer', 'L', 'freezer space, at its fullest', 'room/freezer/peak')]
      : []),
    row('sowings', '', 'sowings'),
  ]
})
</script>

<template>
  <header class="tally">
    <div class="year">
      <h1>{{ store.household?.name ?? 'Inventory' }}</h1>
      <span v-if="store.plan" class="quiet small">year {{ store.plan.year }}</span>
    </div>
    <dl v-if="store.plan">
      <div
        v-for="f in figures"
        :key="f.key"
        v-memo="[f.value, f.label, f.pending, f.of, f.change]"
        :data-tally="f.key"
        :class="{ pending: f.pending }"
      >
        <dd>
          <Figure :value="f.value" :unit="f.unit" :figure="f.figure" :label="f.label" /><span v-if="f.of" class="of">
            of {{ f.of }}</span
          >
          <span v-if="f.pending" class="of" title="Finding room …">…</span>
          <span v-if="f.change" class="change" :class="f.side" role="status"
            >{{ f.change }}<span v-if="f.side" class="hidden-words">, {{ f.side }}</span></span
          >
        </dd>
        <dt>
          <span class="long">{{ f.label }}</span><span class="short" aria-hidden="true">{{ f.short }}</span>
        </dt>
      </div>
    </dl>
    <div v-if="store.plan" class="steps no-print">
      <button
        type="button"
        class="link small"
        :disabled="!store.state?.undo"
        :title="store.state?.undo?.words"
        @click="store.undo()"
      >
        Undo <kbd>u</kbd>
      </button>
      <button
        type="button"
        class="link small"
        :disabled="!store.state?.redo"
        :title="store.state?.redo?.words"
        @click="store.redo()"
      >
        Redo <kbd>U</kbd>
      </button>
    </div>
  </header>
</template>

<style scoped>
.tally {
  display: flex;
  align-items: flex-end;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-6) var(--space-4);
  border-bottom: 1px solid var(--ink-2);
  background: var(--paper);
  position: sticky;
  top: 0;
  z-index: 10;
}
.year {
  min-width: 9rem;
}
.year h1 {
  font-size: var(--type-head);
  line-height: 1.15;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-7);
  margin: 0;
  flex: 1;
}
dd {
  margin: 0;
  font-size: var(--type-head);
  font-weight: 600;
  line-height: 1.1;
  font-family: var(--serif);
  white-space: nowrap;
}
dt {
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
.short {
  display: none;
}
.of {
  font-size: var(--type-small);
  font-weight: 400;
  color: var(--ink-2);
}
.pending dd {
  color: var(--ink-2);
}
.change {
  font-size: var(--type-text);
  font-weight: 600;
  color: var(--paper);
  background: var(--ink-2);
  padding: 0 var(--space-3);
  margin-left: var(--space-3);
  vertical-align: 0.15em;
}
.tally {
  container: tally / inline-size;
}
@container tally (max-width: 900px) {
  dl {
    gap: var(--space-2) var(--space-6);
  }
  [data-tally='sowings'] {
    display: none;
  }
}
.steps {
  display: flex;
  align-self: flex-start; /* where the figures take a second line, it stays under the hand */
  gap: var(--space-5);
  white-space: nowrap;
}
@media (max-width: 720px) {
  .tally {
    position: static;
    padding: var(--space-3) var(--space-5);
  }
  .year {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%); /* there is no room to show it; it is read aloud */
  }
  .steps,
  .long,
  [data-tally='freezer'] {
    display: none; /* undo stands at the foot */
  }
  dl {
    flex-wrap: nowrap;
    justify-content: space-between;
    gap: var(--space-4);
  }
  dd {
    font-size: var(--type-text);
  }
  .short {
    display: block;
  }
}
</style>
