<script setup lang="ts">
// What the household should know about the figures of the book since they last changed.
</script>

<template>
  <details class="small how">
    <summary>How these figures make the seasons, and what changed</summary>
    <ul>
      <li>
        Growth stops in autumn and starts again in spring by warmth and light together. Before, the length of the day
        alone stopped it, and a mild winter looked like a hard one.
      </li>
      <li>
        Heat ends a crop gradually: one degree over its limit costs a quarter of a day’s picking, four degrees cost all
        of it. Before, a single warm month ended it.
      </li>
      <li>
        Crops that survive the winter wait and grow on in spring, until the long days make them run to seed. Roots and
        heads keep in the bed for weeks while it is cool.
      </li>
      <li>
        Crops for storage are ready four weeks before the cold, and are lifted when they must be. Before, they were sown
        on the last possible day.
      </li>
      <li>
        Ten varieties are new, such as onion sets, autumn onions, wintered sprouting broccoli, popcorn and salsify. Your
        own figures are not changed.
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
