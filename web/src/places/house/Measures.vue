<script setup lang="ts">
// What the household counts by instead of weighing: a bucket, a crate, a bunch, weighed once for a food.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import { capital } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { rows, wrong, save, add, remove } = useRows('measure', () => store.household?.measures ?? [])
const foods = computed(() => (store.reference?.foods ?? []).map((f) => f.name))
const fresh = () => add({ id: '', name: 'bucket', food: foods.value[0] ?? '', kg: 3 })
</script>

<template>
  <section aria-label="Your own measures">
    <h3>Your own measures</h3>
    <p v-if="!rows.length" class="quiet small">
      None yet. Weigh a full bucket, crate or bunch once. From then on you can type “2 buckets of beans”. You can also
      enter it in the Daybook: “a bucket of beans is 3.1 kg”.
    </p>
    <div v-else class="rows measures">
      <span class="quiet small">one</span><span class="quiet small">of</span><span class="quiet small r">weighs</span
      ><span></span>
      <template v-for="(r, i) in rows" :key="r.value.id">
        <ElInput
          v-model="r.value.name"
          size="small"
          maxlength="40"
          :aria-label="`Measure ${i + 1}`"
          @change="save(i)"
        />
        <ElSelect
          v-model="r.value.food"
          size="small"
          filterable
          :aria-label="`Food of measure ${i + 1}`"
          @change="save(i)"
        >
          <ElOption v-for="f in foods" :key="f" :value="f" :label="capital(f)" />
        </ElSelect>
        <NumberInput
          v-model="r.value.kg"
          unit="kg"
          suffix
          :label="`What a ${r.value.name} of ${r.value.food} weighs`"
          @done="save(i)"
        />
        <button
          type="button"
          class="link small"
          :aria-label="`Remove a ${r.value.name} of ${r.value.food}`"
          @click="remove(r.value.id)"
        >
          Remove
        </button>
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="button" class="link add" @click="fresh">Add a measure</button>
  </section>
</template>

<style scoped>
.measures {
  grid-template-columns: 6rem minmax(7rem, 1.4fr) 6rem auto;
}
.r {
  text-align: right;
}
</style>
