<script setup lang="ts">
// The raising shelf in one line: its fullest week against the trays it holds.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { count, day } from '../../lib/words'
import { fixed } from '../../lib/numbers'

const store = useHousehold()
const shelf = computed(() => {
  const p = store.plan
  if (!p) return undefined
  const most = Math.max(...p.work.trays)
  const over = p.work.room ? p.work.trays.filter((t) => t > p.work.room + 0.01).length : 0
  return { most, week: p.weeks[p.work.trays.indexOf(most)] ?? '', room: p.work.room, over }
})
const trays = (n: number) => fixed(n, 1).replace(/\.0$/, '')
</script>

<template>
  <p v-if="shelf && shelf.most > 0" class="small shelf" :class="{ warn: shelf.over }">
    Seedling shelf: <b>{{ trays(shelf.most) }}</b>{{ shelf.room ? ` of ${trays(shelf.room)}` : '' }} trays in the
    fullest week, from {{ day(shelf.week)
    }}<template v-if="shelf.over">; {{ count(shelf.over, 'week') }} with more trays than it holds</template>.
    <RouterLink v-if="!shelf.room" to="/house">Enter its size in House</RouterLink>
  </p>
</template>

<style scoped>
.shelf {
  margin-bottom: var(--space-4);
}
.warn {
  color: var(--accent);
}
</style>
