<script setup lang="ts">
// What the colours of the plot and of the beds over the year mean.
defineProps<{ view: string }>()
</script>

<template>
  <p v-if="view === 'plot'" class="key small quiet">
    <span><i class="here" /> growing now</span> <span><i class="planned" /> planned</span>
    <span><i class="overdue" /> planned but not recorded</span>
    <span><i class="shared" /> shares the bed</span>
    <span><i class="hand" /> placed by you</span>
  </p>
  <p v-else class="key small quiet">
    <span><i class="well" /> all as it should be</span>
    <span
      ><svg class="faulty" width="20" height="9" aria-hidden="true"><rect width="20" height="9" /></svg> △ has a
      drawback</span
    >
    <span><i class="shared" /> shares the bed</span>
    <span><i class="overdue" /> planned but not recorded</span>
    <span><i class="stands" /> still growing from last year</span>
    <span>Drag a crop to another bed, or press <kbd>m</kbd> on it.</span>
  </p>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
}
.key i {
  display: inline-block;
  width: 20px;
  height: 9px;
}
.here {
  background: color-mix(in srgb, var(--fresh) 32%, var(--sheet));
  border: 1px solid var(--fresh);
}
.planned {
  background: color-mix(in srgb, var(--fresh) 9%, var(--sheet));
  border: 1px solid var(--fresh);
}
.overdue {
  background: color-mix(in srgb, var(--accent) 16%, var(--sheet));
  border: 1px solid var(--accent);
}
.hand {
  border: 2px solid var(--ink);
}
.well {
  background: color-mix(in srgb, var(--fresh) 40%, var(--sheet));
}
.faulty rect {
  fill: url('#tex-drawback');
}
.shared {
  background: color-mix(in srgb, var(--freezer) 45%, var(--sheet));
}
.stands {
  background: var(--wash);
  border: 1px dashed var(--ink-2);
}
</style>
