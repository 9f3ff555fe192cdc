<script setup lang="ts">
// The work around the plants: jobs of the household's own, what it does for each crop, and the pests that it saw.
import CareLists from './CareLists.vue'
import ChoreRows from './ChoreRows.vue'
import SightingRows from './SightingRows.vue'
import './daybook.css'
</script>

<template>
  <section class="daybook work" aria-label="Jobs and care">
    <div class="place-bar">
      <h2 tabindex="-1">Jobs and care</h2>
      <RouterLink class="small no-print" to="/daybook">Back to the Daybook</RouterLink>
    </div>
    <p class="quiet">
      What you add here shows in the Daybook on its day, counts in the hours of the week, and is in the calendar file
      and on the sheets.
    </p>
    <ChoreRows />
    <CareLists />
    <SightingRows />
  </section>
</template>

<style scoped>
.work {
  max-width: 62rem;
}
</style>
