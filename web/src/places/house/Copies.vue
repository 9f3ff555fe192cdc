<script setup lang="ts">
// What a household keeps of itself outside this machine: a backup, and the file in an open format.
import { useHousehold } from '../../lib/household'

const store = useHousehold()
</script>

<template>
  <section aria-label="Copies to keep">
    <h3>Copies to keep</h3>
    <p>
      <a class="button" href="/api/backup" download data-backup>Save a backup</a>
      <span class="small quiet"
        >everything, with the journal, as edit {{ store.state?.revision }} left it. It is opened and planned again
        before you get it.</span
      >
    </p>
    <p class="small">
      <a href="/api/household-file" download="household.json">Save the household file</a>
      <span class="quiet">: what you say of yourselves, in an open format, without the journal.</span>
    </p>
    <p class="small quiet">
      To put a backup back: <code>inventory restore BACKUP --db NEW.db</code>. To begin from a household file: start
      with an empty database; the first screen asks for it.
    </p>
  </section>
</template>

<style scoped>
.button {
  display: inline-block;
  border: 1px solid var(--ink-2);
  border-radius: 2px;
  padding: var(--space-3) var(--space-5);
  margin-right: var(--space-5);
  background: var(--sheet);
  color: var(--ink);
  text-decoration: none;
}
.button:hover {
  border-color: var(--ink);
}
code {
  font-size: 0.92em;
  overflow-wrap: anywhere;
}
</style>
