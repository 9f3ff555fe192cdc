<script setup lang="ts">
// All sheets that can be printed, in one list.
const sheets: { to: string; name: string; words: string }[] = [
  {
    to: '/paper/week',
    name: 'Week card',
    words: 'What to do this week in large type, with boxes to tick. For the shed door.',
  },
  {
    to: '/sowings/sheet/sowing',
    name: 'Sowing sheet',
    words: 'A page a month: what to sow and plant, in which bed, how deep, how far apart.',
  },
  { to: '/sowings/sheet/raising', name: 'Indoor sowing sheet', words: 'What is sown indoors, and when it goes out.' },
  {
    to: '/paper/picking',
    name: 'Picking sheet',
    words: 'What is likely ready this week, with room for the weights. For beside the scale.',
  },
  {
    to: '/paper/care',
    name: 'Care by bed',
    words: 'What each bed wants in the next weeks: thin, tie, feed, cover, clear.',
  },
  { to: '/ground/sheet', name: 'Beds', words: 'The plot on one page, or a card for each bed.' },
  {
    to: '/paper/shopping',
    name: 'Seed and shopping list',
    words: 'Seed, sets, young plants, compost and the rest, by the day they are needed.',
  },
  { to: '/shelves/count', name: 'Shelf count', words: 'What should be on the shelf, to count against.' },
  { to: '/shelves/labels', name: 'Labels', words: 'For jars, bags and crates.' },
]
</script>

<template>
  <section class="sheets" aria-label="Paper">
    <div class="place-bar"><h2 tabindex="-1">Paper</h2></div>
    <p class="quiet">
      Sheets to hang up, to carry and to write on. What you write comes back in the same order: sheets and
      <RouterLink to="/daybook/catch-up">Catch up</RouterLink> are both by date, then by crop.
    </p>
    <dl>
      <template v-for="s in sheets" :key="s.to">
        <dt>
          <RouterLink :to="s.to">{{ s.name }}</RouterLink>
        </dt>
        <dd>{{ s.words }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(9rem, max-content) 1fr;
  gap: 0 var(--space-6);
  max-width: 50rem;
}
dt,
dd {
  margin: 0;
  padding: var(--space-4) 0;
  border-bottom: 1px solid var(--hair);
}
dt {
  font-family: var(--serif);
  font-size: var(--type-large);
}
@media (max-width: 640px) {
  dl {
    grid-template-columns: 1fr;
  }
  dt {
    border: 0;
    padding-bottom: 0;
    min-height: 44px;
  }
  dd {
    padding-top: 0;
  }
}
</style>
