<script setup lang="ts">
// What a household keeps of itself outside this machine: a backup, and the file in an open format.
</script>

<template>
  <section aria-label="Backups">
    <h3>Backups</h3>
    <p>
      <a class="button" href="/api/backup" download data-backup>Save a backup</a>
      <span class="small quiet">everything, with all your changes, as it is now. It is tested before you get it.</span>
    </p>
    <p class="small">
      <a href="/api/household-file" download="household.json">Save the household file</a>
      <span class="quiet"
        >: your household, wishes, beds and records in an open format, without the list of edits.</span
      >
    </p>
    <p class="small quiet">
      To restore a backup: <code>inventory restore BACKUP --db NEW.db</code>. To start from a household file, start with
      an empty database. The first screen asks for the file.
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
