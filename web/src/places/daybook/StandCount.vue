<script setup lang="ts">
// How many places of a sowing are up, counted; and its gaps, sown again.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import type { Sowing } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { count, day } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ sowing: Sowing }>()
const store = useHousehold()
const up = ref<number>()
const wrong = ref('')
const planting = computed(() => store.household?.plantings.find((p) => p.id === props.sowing.id))
const of = computed(
  () => planting.value?.stood_of ?? (props.sowing.stations || props.sowing.cells || props.sowing.plants),
)
const noun = computed(() => (props.sowing.stations ? 'station' : props.sowing.cells ? 'cell' : 'plant'))
const stood = computed(() => planting.value?.stood ?? 0)
/** Gaps that were counted and not sown again yet. */
const gaps = computed(() => (planting.value?.stood_of && !planting.value.refill ? of.value - stood.value : 0))

async function tell(what: 'stood' | 'refill', n = 0) {
  wrong.value = wordsOf(await store.log({ sowing: props.sowing.id, what, count: n, day: store.plan?.as_of }))
  if (!wrong.value) up.value = undefined
}
</script>

<template>
  <div class="stand small">
    <form v-if="of > 1" @submit.prevent="up !== undefined && tell('stood', up)">
      <label
        ><NumberInput v-model="up" blank :label="`How many came up: ${sowing.crop_name}`" /> of
        {{ count(of, noun) }} up</label
      >
      <ElButton size="small" native-type="submit" :disabled="up === undefined">Save</ElButton>
    </form>
    <p v-if="gaps > 0">
      {{ stood }} of {{ of }} came up.
      <button type="button" class="link" @click="tell('refill')">
        the {{ count(gaps, 'gap') }} {{ gaps === 1 ? 'was' : 'were' }} sown again today
      </button>
      <span v-if="sowing.per_place" class="quiet"> {{ count(sowing.per_place, 'seed') }} to each</span>
    </p>
    <p v-else-if="planting?.refill" class="quiet">
      Gaps sown again on {{ day(planting.refill) }}; up by {{ day(sowing.up_by) }}.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.stand form {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: center;
}
label :deep(.number-input) {
  display: inline-block;
  width: 4rem;
}
</style>
