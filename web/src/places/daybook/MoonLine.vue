<script setup lang="ts">
// The phases of the moon, for whoever wants to see them.
import { ElCheckbox } from 'element-plus'
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { useStored } from '../../lib/stored'
import { capital, day } from '../../lib/words'

const store = useHousehold()
const moonChoice = useStored('moon', ['no', 'yes'])
const moon = computed({ get: () => moonChoice.value === 'yes', set: (m) => (moonChoice.value = m ? 'yes' : 'no') })
const moons = computed(() => (store.plan?.moons ?? []).filter((m) => m.day >= (store.plan?.as_of ?? '')).slice(0, 3))
</script>

<template>
  <section aria-label="The moon">
    <ElCheckbox v-model="moon" size="small">show the moon</ElCheckbox>
    <p v-if="moon" class="small">
      <span v-for="m in moons" :key="m.day" class="moon">{{ capital(m.phase) }} {{ day(m.day) }}</span>
      <span class="quiet">No date in the plan depends on it.</span>
    </p>
  </section>
</template>

<style scoped>
.moon {
  margin-right: var(--space-6);
}
</style>
