<script setup lang="ts">
// The textures that the ribbons are filled with, defined once for the page.
</script>

<template>
  <svg class="textures" width="0" height="0" aria-hidden="true">
    <defs>
      <pattern id="tex-cellar" width="5" height="5" patternUnits="userSpaceOnUse">
        <rect width="5" height="5" style="fill: color-mix(in srgb, var(--cellar) 28%, var(--paper))" />
        <circle cx="2.5" cy="2.5" r="1.5" style="fill: var(--cellar)" />
      </pattern>
      <pattern id="tex-jar" width="5" height="5" patternUnits="userSpaceOnUse">
        <rect width="5" height="5" style="fill: color-mix(in srgb, var(--jar) 25%, var(--paper))" />
        <path d="M0 0L5 5M5 0L0 5" style="stroke: var(--jar); stroke-width: 1.1" />
      </pattern>
      <pattern id="tex-frozen" width="5" height="5" patternUnits="userSpaceOnUse">
        <rect width="5" height="5" style="fill: color-mix(in srgb, var(--freezer) 25%, var(--paper))" />
        <path d="M-1 6L6 -1M-1 1L1 -1M4 6L6 4" style="stroke: var(--freezer); stroke-width: 1.6" />
      </pattern>
      <pattern id="tex-dried" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" style="fill: color-mix(in srgb, var(--dried) 22%, var(--paper))" />
        <rect width="1.7" height="4" style="fill: var(--dried)" />
      </pattern>
      <pattern id="tex-crock" width="10" height="6" patternUnits="userSpaceOnUse">
        <rect width="10" height="6" style="fill: color-mix(in srgb, var(--crock) 22%, var(--paper))" />
        <path d="M0 3Q2.5 -0.5 5 3T10 3" style="fill: none; stroke: var(--crock); stroke-width: 1.5" />
      </pattern>
      <pattern id="tex-drawback" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" style="fill: color-mix(in srgb, var(--fresh) 40%, var(--sheet))" />
        <path d="M-2 10L10 -2M-2 2L2 -2M6 10L10 6" style="stroke: var(--sheet); stroke-width: 2.4" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.textures {
  position: absolute;
}
</style>
