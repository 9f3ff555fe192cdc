<script setup lang="ts">
// Help: how to start, what the words mean, and the keys.
import { onMounted, ref } from 'vue'
import { glossary } from '../../lib/glossary'
import { allKeys, type Key } from '../../lib/keys'
import KeyList from '../../parts/KeyList.vue'

const keys = ref<Key[]>([])
onMounted(() => (keys.value = allKeys()))

const steps: { to: string; place: string; words: string }[] = [
  { to: '/begin', place: 'Your first plan', words: 'Tick what you eat, enter your beds, see what fits.' },
  {
    to: '/table',
    place: 'Table',
    words: 'All your wishes. Change an amount and see plants, bed space and weeks change.',
  },
  { to: '/year', place: 'Year', words: 'What you eat in each week, and where it comes from.' },
  {
    to: '/sowings',
    place: 'Sowings',
    words: 'Every sowing with its dates. Print the sheet, or subscribe to the calendar.',
  },
  { to: '/ground', place: 'Ground', words: 'Which crop grows in which bed, and what to do when there is no room.' },
  { to: '/daybook', place: 'Daybook', words: 'What to do this week. Tick what is done, and type what came in.' },
  { to: '/shelves', place: 'Shelves', words: 'What is in the house, and how long it lasts.' },
  { to: '/paper', place: 'Paper', words: 'Sheets to print: the week, sowings, picking, care by bed, shopping.' },
  { to: '/year-end', place: 'Year’s end', words: 'What you wanted, what came of it, and the step into the next year.' },
  { to: '/ask', place: 'Ask', words: 'Plain questions, and what to do with what you have.' },
  { to: '/house', place: 'House', words: 'People, climate, storage, kitchen, your own figures, backups.' },
]
</script>

<template>
  <section class="help">
    <h2 tabindex="-1">Help</h2>
    <h3>Where is what</h3>
    <dl>
      <template v-for="s in steps" :key="s.to">
        <dt>
          <RouterLink :to="s.to">{{ s.place }}</RouterLink>
        </dt>
        <dd>{{ s.words }}</dd>
      </template>
    </dl>
    <p>
      Press any number to see how it is worked out. Press “Use my figure” there to replace a usual figure with your own.
      Undo reaches every change.
    </p>
    <h3>What the words mean</h3>
    <dl>
      <template v-for="t in glossary" :key="t.word">
        <dt>{{ t.word }}</dt>
        <dd>{{ t.means }}</dd>
      </template>
    </dl>
    <h3>Keys</h3>
    <KeyList :keys="keys" />
  </section>
</template>

<style scoped>
h3 {
  margin-top: var(--space-6);
}
dl {
  display: grid;
  grid-template-columns: 14rem 1fr;
  gap: var(--space-3) var(--space-6);
  max-width: 52rem;
}
dt {
  font-family: var(--serif);
  font-weight: 600;
}
dd {
  margin: 0;
}
@container leaf (max-width: 640px) {
  dl {
    grid-template-columns: 1fr;
  }
  dd {
    margin-bottom: var(--space-4);
  }
}
</style>
