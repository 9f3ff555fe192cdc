<script setup lang="ts">
// The places, in the order of the work, each with one live fact.
import { computed } from 'vue'
import { useGround } from '../lib/ground'
import { useHousehold } from '../lib/household'
import { dueOf } from '../lib/daybook'
import { count, day } from '../lib/words'
import UnitsChoice from './UnitsChoice.vue'

defineEmits<{ help: []; find: [] }>()
const store = useHousehold()
const ground = useGround()
const print = () => window.print()

const places = computed(() => {
  const p = store.plan
  const t = p?.tally
  const gaps = (t?.gaps ?? 0) + Math.max(0, ground.lost.weeks) // what the plan feeds without ground is short too
  const spoilt = (p?.shelf ?? []).filter((x) => x.expired).length
  const next = p?.sowings.find((s) => !s.late && s.date >= p.as_of && s.method !== 'patch')
  const due = p ? dueOf(p) : { overdue: 0, week: 0 }
  return [
    { to: '/table', name: 'Table', fact: t ? count(gaps, 'gap week') : '', loud: gaps > 0 },
    {
      to: '/year',
      name: 'Year',
      fact: !t ? '' : t.overloads ? `too much to put up in ${count(t.overloads, 'week')}` : 'the kitchen can keep up',
      loud: !!t?.overloads,
    },
    {
      to: '/sowings',
      name: 'Sowings',
      fact: next ? `next ${day(next.date)}` : p ? 'nothing more to sow' : '',
      loud: false,
    },
    {
      to: '/ground',
      name: 'Ground',
      fact: !store.household?.beds.length
        ? 'no beds yet'
        : ground.layout && ground.layout.short > 0.05
          ? `no room for ${count(ground.layout.left.length, 'sowing')}`
          : 'everything has room',
      loud: !!ground.layout?.left.length,
    },
    {
      to: '/daybook',
      name: 'Daybook',
      fact: !p
        ? ''
        : due.overdue
          ? `${due.overdue} overdue`
          : due.week
            ? `${due.week} this week`
            : 'nothing to do this week',
      loud: due.overdue > 0,
    },
    {
      to: '/shelves',
      name: 'Shelves',
      fact: !p
        ? ''
        : spoilt
          ? `${count(spoilt, 'item')} past the keeping date`
          : p.shelf.length
            ? count(p.shelf.length, 'item')
            : 'empty',
      loud: spoilt > 0,
    },
    { to: '/year-end', name: 'Year’s end', fact: p ? 'look back, and ahead' : '', loud: false },
    { to: '/ask', name: 'Ask', fact: p ? 'plain questions' : '', loud: false },
    {
      to: '/house',
      name: 'House',
      fact: p ? count(store.household?.members.length ?? 0, 'person', 'people') : '',
      loud: false,
    },
  ]
})
</script>

<template>
  <nav class="spine no-print" aria-label="Places">
    <div class="name">Inventory</div>
    <ul>
      <li v-for="p in places" :key="p.to" v-memo="[p.fact, p.loud]">
        <RouterLink :to="p.to">
          <span class="place">{{ p.name }}</span>
          <span class="fact" :class="{ warn: p.loud }">{{ p.fact }}</span>
        </RouterLink>
      </li>
      <li class="step">
        <button
          type="button"
          class="plain"
          :disabled="!store.state?.undo"
          :title="store.state?.undo?.words"
          @click="store.undo()"
        >
          Undo
        </button>
      </li>
      <li class="step">
        <button
          type="button"
          class="plain"
          :disabled="!store.state?.redo"
          :title="store.state?.redo?.words"
          @click="store.redo()"
        >
          Redo
        </button>
      </li>
    </ul>
    <div class="foot">
      <UnitsChoice class="units" label="Units" us="US" />
      <button type="button" class="link small" @click="print">Print <kbd>p</kbd></button>
      <RouterLink class="link small" to="/paper">Sheets</RouterLink>
      <button type="button" class="link small" @click="$emit('find')">Find <kbd>/</kbd></button>
      <RouterLink class="link small" to="/help">Help</RouterLink>
      <button type="button" class="link small" @click="$emit('help')">Keys <kbd>?</kbd></button>
    </div>
  </nav>
</template>

<style scoped>
.spine {
  display: flex;
  flex-direction: column;
  border-right: 1px solid var(--hair-2);
  padding: var(--space-5) 0 var(--space-5);
  position: sticky;
  top: 0;
  height: 100vh;
}
.name {
  font-family: var(--serif);
  font-size: var(--type-large);
  font-weight: 700;
  padding: 0 var(--space-5) var(--space-5);
  letter-spacing: 0.01em;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li a {
  display: block;
  padding: var(--space-4) var(--space-5) var(--space-4);
  text-decoration: none;
  border-left: 3px solid transparent;
}
li a:hover {
  background: var(--wash);
}
li a.router-link-active {
  border-left-color: var(--accent);
  background: var(--sheet);
}
.place {
  display: block;
  font-family: var(--serif);
  font-size: var(--type-large);
}
.fact {
  display: block;
  font-size: var(--type-tiny);
  color: var(--ink-2);
}
li.step {
  display: none; /* a desk has them at the top */
}
.fact.warn {
  color: var(--accent);
}
.foot {
  margin-top: auto;
  padding: 0 var(--space-5);
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  align-items: flex-start;
}
@media (max-width: 720px) {
  .spine {
    position: fixed;
    inset: auto 0 0 0;
    top: auto;
    height: auto;
    flex-direction: row;
    align-items: stretch;
    background: var(--paper);
    border-right: 0;
    border-top: 1px solid var(--ink-2);
    padding: 0;
    z-index: 20;
  }
  .name {
    display: none;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    flex: 1;
    min-width: 0;
  }
  li a,
  .step button {
    display: grid;
    place-content: center;
    width: 100%;
    min-height: 44px;
    border-left: 0;
    border-top: 3px solid transparent;
    padding: 0 var(--space-2);
    text-align: center;
  }
  li a.router-link-active {
    border-top-color: var(--accent);
  }
  li.step {
    display: block;
  }
  .step button {
    color: var(--ink-2);
  }
  .place {
    position: relative;
    font-size: var(--type-small);
    line-height: 1.15;
  }
  .fact {
    display: none;
  }
  li:has(.fact.warn) .place::after {
    content: '•';
    position: absolute;
    margin-left: var(--space-1);
    color: var(--accent);
  }
  .foot {
    display: none; /* the units are in House too */
  }
}
.units button {
  padding: var(--space-1) var(--space-4);
  font-size: var(--type-small);
}
</style>
