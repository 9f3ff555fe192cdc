<script setup lang="ts">
// What can no longer be started this year, with what that leaves open and when it can be again.
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { count, day, fullDay } from '../../lib/words'

const store = useHousehold()
const over = computed(() => store.plan?.over)
/** Whether anything was recorded as sown: who begins in the middle of a season has nothing yet. */
const recorded = computed(() => !!store.household?.plantings.length)
const crops = computed(() => [...new Set(over.value?.map((o) => o.crop_name))])
</script>

<template>
  <details v-if="over?.length" class="over small">
    <summary>
      {{ count(crops.length, 'crop') }} can no longer be started this year: {{ crops.slice(0, 3).join('; ')
      }}{{ crops.length > 3 ? ' …' : '' }}
    </summary>
    <table>
      <tbody>
        <tr v-for="o in over" :key="o.wish + o.crop_name" :data-over="o.wish">
          <td class="crop">{{ o.crop_name }}</td>
          <td>{{ o.title }}</td>
          <td>until {{ day(o.last) }}</td>
          <td>again from {{ fullDay(o.again) }}</td>
          <td class="warn">{{ o.gaps ? `${count(o.gaps, 'gap week')}` : '' }}</td>
        </tr>
      </tbody>
    </table>
  </details>
  <p v-if="over?.length && !recorded" class="small" data-grows-already>
    Is something growing already?
    <RouterLink to="/daybook/growing">Enter it</RouterLink>, and the plan is made around it.
  </p>
</template>

<style scoped>
.over {
  margin: var(--space-4) 0;
  border-left: 3px solid var(--accent);
  padding-left: var(--space-4);
}
td {
  padding: var(--space-1) var(--space-5) var(--space-1) 0;
}
.crop {
  font-family: var(--serif);
  font-weight: 600;
}
.warn {
  color: var(--accent);
}
</style>
