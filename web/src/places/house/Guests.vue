<script setup lang="ts">
import { ElInput } from 'element-plus'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import NumberInput from '../../parts/NumberInput.vue'
import DayField from '../../parts/DayField.vue'

const store = useHousehold()
const { rows, wrong, save, add, remove } = useRows('guest', () => store.household?.guests ?? [])
const fresh = () => add({ id: '', name: 'Guests', eaters: 2, from: '12-24', to: '12-26' })
</script>

<template>
  <section aria-label="Guests">
    <h3>Guests</h3>
    <div class="rows guests">
      <template v-for="(r, i) in rows" :key="r.value.id">
        <ElInput v-model="r.value.name" size="small" :aria-label="`Who comes, ${i + 1}`" @change="save(i)" />
        <NumberInput
          v-model="r.value.eaters"
          :label="'How many people: ' + r.value.name"
          unit="eaters"
          suffix
          @done="save(i)"
        />
        <span class="when">
          <DayField v-model="r.value.from" :label="r.value.name + ', from'" @done="save(i)" />
          <DayField v-model="r.value.to" :label="r.value.name + ', to'" @done="save(i)" />
        </span>
        <button type="button" class="link small" :aria-label="'Remove ' + r.value.name" @click="remove(r.value.id)">
          Remove
        </button>
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="button" class="link add" @click="fresh">Add guests</button>
  </section>
</template>

<style scoped>
.guests {
  grid-template-columns: minmax(6rem, 1fr) 6.5rem auto auto;
}
.when {
  display: grid;
  gap: var(--space-1);
}
@container leaf (max-width: 620px) {
  .guests {
    grid-template-columns: 1fr 6.5rem;
  }
}
</style>
