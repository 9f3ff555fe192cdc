<script setup lang="ts">
// Where the household's kitchen scale answers, and whether it does.
import { ElButton, ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { answer, api, Refused } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError, wordsOf } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'

const store = useHousehold()
const { say } = useUnits()
const kept = computed(() => store.household?.scale ?? '')
const address = ref(kept.value)
watch(kept, (now) => (address.value = now))
const wrong = ref('')
const told = ref('')

async function save() {
  told.value = ''
  if (address.value.trim() === kept.value) return
  wrong.value = wordsOf(await store.edit({ command: 'set-scale', target: address.value.trim() }))
}

async function look() {
  await save()
  if (wrong.value) return
  try {
    const r = await answer(() => api.GET('/scale'))
    told.value = `It answers: ${say(r.gram / 1000, 'kg')}${r.stable ? '' : ', settling'}${r.simulated ? '; it is a simulated one' : ''}.`
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    wrong.value = 'Enter ' + (fieldError(e.problem, 'scale') || e.problem.detail) + '.'
  }
}
</script>

<template>
  <section aria-label="Kitchen scale">
    <h3>Kitchen scale</h3>
    <form class="line" @submit.prevent="look">
      <ElInput
        v-model="address"
        aria-label="Address of the scale"
        placeholder="http://192.168.1.30:8091"
        maxlength="200"
        @input="wrong = told = ''"
      />
      <ElButton native-type="submit">Save and try it</ElButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
    <p v-else-if="told" class="quiet small" role="status">{{ told }}</p>
    <p v-else class="quiet small">
      A scale in your network, for “Weigh in” in the Daybook. Leave it empty if you have none.
    </p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: var(--space-4);
}
</style>
