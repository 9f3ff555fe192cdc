<script setup lang="ts">
// The next table year as it would be if it began with what stands: its sums and its sowings,
// those first that fall into the year that runs.
import { computed, ref } from 'vue'
import type { ComingYear } from '../../lib/api'
import { byMonth, count, day } from '../../lib/words'

const props = defineProps<{ coming: ComingYear; year: number; from: string }>()
const open = ref(false)
const t = computed(() => props.coming.tally)
const fed = computed(() => props.coming.fed?.weeks_fed ?? t.value.weeks_fed)
const jars = computed(() => props.coming.fed?.jars ?? t.value.jars)
const lacks = computed(() => props.coming.sowings.filter((s) => !s.ground).length)
const soon = computed(() => props.coming.sowings.filter((s) => s.date < props.from))
const months = computed(() => byMonth(props.coming.sowings, (s) => s.date))
</script>

<template>
  <div data-coming>
    <p>
      By your wishes as they are, {{ year }} would feed <strong>{{ fed }}</strong> of {{ t.weeks_wanted }} weeks and
      fill {{ count(jars, 'jar') }}, from {{ count(t.plants, 'plant')
      }}<template v-if="lacks">; {{ count(lacks, 'sowing has', 'sowings have') }} no ground</template>.
      <template v-if="soon.length">{{ count(soon.length, 'sowing') }} of it would be begun before it begins.</template>
      {{ ' '
      }}<button type="button" class="link" :aria-expanded="open" @click="open = !open">
        {{ open ? 'hide its sowings' : `all ${count(coming.sowings.length, 'sowing')}` }}
      </button>
    </p>
    <div v-if="open" class="months small">
      <section v-for="m in months" :key="m.month" :aria-label="m.month">
        <h4>{{ m.month }}</h4>
        <ul>
          <li v-for="(s, i) in m.entries" :key="i">
            <b>{{ day(s.date) }}</b> {{ s.crop_name }}
            <span class="quiet"
              >{{ s.plants ? count(s.plants, 'plant') + ', ' : '' }}{{ s.for }}{{ s.ground ? '' : ', no ground' }}</span
            >
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.months {
  columns: 22rem auto;
}
h4 {
  margin: var(--space-3) 0 0;
  font-family: var(--serif);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
b {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
}
</style>
