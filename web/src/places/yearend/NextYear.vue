<script setup lang="ts">
// The next table year as it would be if it began with what stands: its sums and its sowings,
// those first that fall into the year that runs.
import { computed } from 'vue'
import type { OtherYear } from '../../lib/api'
import { count } from '../../lib/words'
import SowingsByMonth from '../../parts/SowingsByMonth.vue'

const props = defineProps<{ coming: OtherYear; from: string }>()
const t = computed(() => props.coming.tally)
const fed = computed(() => props.coming.fed?.weeks_fed ?? t.value.weeks_fed)
const jars = computed(() => props.coming.fed?.jars ?? t.value.jars)
const lacks = computed(() => props.coming.sowings.filter((s) => !s.ground).length)
const soon = computed(() => props.coming.sowings.filter((s) => s.date < props.from))
</script>

<template>
  <div data-coming>
    With your wishes as they are, {{ coming.year }} would have <strong>{{ fed }}</strong> weeks fed of
    {{ t.weeks_wanted }} and fill {{ count(jars, 'jar') }}, from {{ count(t.plants, 'plant')
    }}<template v-if="lacks">; no room for {{ count(lacks, 'sowing') }}</template
    >.
    <template v-if="soon.length">{{ count(soon.length, 'sowing') }} of its sowings start before it begins.</template>
    {{ ' ' }}<SowingsByMonth :sowings="coming.sowings" />
  </div>
</template>
