<script setup lang="ts">
// What the household should know about the figures of the book since they last changed.
</script>

<template>
  <details class="small how">
    <summary>How the seasons follow from these figures, and what changed</summary>
    <ul>
      <li>
        Growth stops in autumn and starts again in spring by warmth and light together. Before, the length of the day
        alone stopped it, and a mild winter looked like a hard one.
      </li>
      <li>
        Heat wears a crop out by degrees: one degree over its limit costs a quarter of a day’s picking, four degrees all
        of it. Before, a single warm month ended it.
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
        Ten kinds are new, such as onion sets, autumn onions, wintered sprouting broccoli, popcorn and salsify. What you
        have overruled stays as you set it.
      </li>
    </ul>
  </details>
</template>

<style scoped>
.how {
  margin: var(--space-3) 0;
}
.how ul {
  margin: var(--space-2) 0;
  padding-left: var(--space-6);
  max-width: 60rem;
}
</style>
