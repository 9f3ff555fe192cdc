<script setup lang="ts">
// House: who eats here, where they live, and the rules they plan by.
import Capacities from './Capacities.vue'
import Copies from './Copies.vue'
import Guests from './Guests.vue'
import Members from './Members.vue'
import Overrules from './Overrules.vue'
import Measures from './Measures.vue'
import Patches from './Patches.vue'
import PlaceForm from './PlaceForm.vue'
import Rules from './Rules.vue'
import ScaleAddress from './ScaleAddress.vue'
import Stores from './Stores.vue'

const parts = [
  { id: 'people', name: 'People, place, rules' },
  { id: 'kitchen', name: 'Storage and kitchen' },
  { id: 'garden', name: 'Garden work' },
  { id: 'figures', name: 'Your figures' },
  { id: 'files', name: 'Files, backup, scale' },
]
</script>

<template>
  <section class="house">
    <h2 class="hidden-words" tabindex="-1">House</h2>
    <nav class="parts no-print" aria-label="Parts of House">
      <a v-for="p in parts" :key="p.id" :href="'#' + p.id">{{ p.name }}</a>
      <RouterLink to="/house/book">Crop book</RouterLink>
      <RouterLink to="/house/learned">What your garden teaches</RouterLink>
    </nav>
    <div id="people" class="part">
      <div><Members /><Guests /></div>
      <div><PlaceForm /><Rules /></div>
    </div>
    <div id="kitchen" class="part">
      <div><Stores /><Measures /></div>
      <div>
        <Capacities
          title="Kitchen and goals"
          :fields="['evenings', 'batches', 'freezer', 'goal_jars', 'goal_green', 'goal_energy', 'goal_protein']"
          hint="A batch is one load of the canner, the dryer or the pot."
        />
      </div>
    </div>
    <div id="garden" class="part">
      <div>
        <Patches />
        <section aria-label="Jobs and care">
          <h3>Jobs and care</h3>
          <p>
            <RouterLink to="/daybook/work">Jobs of your own, and what you do for each crop</RouterLink>
          </p>
        </section>
      </div>
      <div>
        <Capacities
          title="Garden work and seedling shelf"
          :fields="[
            'garden_hours',
            'trays',
            'tray_cells',
            'minutes_cell',
            'minutes_plant',
            'minutes_sow',
            'minutes_thin',
            'minutes_weed',
            'minutes_pick',
            'minutes_clear',
          ]"
          hint="From these come the hours in Daybook and the trays in Sowings."
        />
      </div>
    </div>
    <div id="figures" class="part">
      <div><Overrules /></div>
      <div>
        <section aria-label="Crop book">
          <h3>Crop book</h3>
          <p>
            <RouterLink to="/house/book">Every crop and preparation with its figures</RouterLink>
            <span class="quiet small">, and crops and preparations of your own</span>
          </p>
        </section>
      </div>
    </div>
    <div id="files" class="part">
      <div><Copies /></div>
      <div><ScaleAddress /></div>
    </div>
  </section>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  padding-bottom: var(--space-5);
}
.parts a {
  min-height: 28px;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 0 var(--space-7);
  scroll-margin-top: var(--space-7);
}
.part + .part {
  border-top: 2px solid var(--ink);
  padding-top: var(--space-5);
}
@container leaf (max-width: 860px) {
  .part {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 640px) {
  .parts a {
    min-height: 44px;
  }
}
</style>

<style>
.house section {
  margin-bottom: var(--space-6);
}
.house section > h3 {
  font-size: var(--type-large);
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-2);
  margin-bottom: var(--space-4);
  display: flex;
  align-items: baseline;
  gap: var(--space-5);
}
.house section > h3 .aside {
  font-family: var(--sans);
  font-size: var(--type-small);
  font-weight: 400;
  color: var(--ink-2);
  margin-left: auto;
}
.house .rows {
  display: grid;
  gap: var(--space-1) var(--space-5);
  align-items: center;
}
.house .rows > .wrong,
.house .rows > .whole {
  grid-column: 1 / -1;
}
.house .add {
  margin-top: var(--space-4);
}
</style>
