<script setup lang="ts">
import { ElCheckbox, ElInput } from 'element-plus'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { rows, wrong, save, add, remove } = useRows('store', () => store.household?.stores ?? [])
const fresh = () => add({ id: '', name: 'New storage place', temperature: 5, damp: true, room_kg: 0 })
</script>

<template>
  <section aria-label="Storage places">
    <h3>Storage places</h3>
    <p v-if="!rows.length" class="quiet small">
      None yet. Crops are counted as if stored perfectly. Add yours to see how long they really keep.
    </p>
    <div v-else class="rows stores">
      <span class="quiet small">name</span><span class="quiet small r">in winter</span><span></span
      ><span class="quiet small r">holds</span><span class="last"></span>
      <template v-for="(r, i) in rows" :key="r.value.id">
        <ElInput v-model="r.value.name" size="small" :aria-label="`Name of storage place ${i + 1}`" @change="save(i)" />
        <NumberInput
          v-model="r.value.temperature"
          unit="°C"
          suffix
          :label="'Temperature of ' + r.value.name"
          @done="save(i)"
        />
        <ElCheckbox v-model="r.value.damp" size="small" @change="save(i)">damp air</ElCheckbox>
        <NumberInput
          v-model="r.value.room_kg"
          unit="kg"
          suffix
          :label="'What ' + r.value.name + ' holds'"
          @done="save(i)"
        />
        <button type="button" class="link small" :aria-label="'Remove ' + r.value.name" @click="remove(r.value.id)">
          Remove
        </button>
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="button" class="link add" @click="fresh">Add a storage place</button>
  </section>
</template>

<style scoped>
.stores {
  grid-template-columns: minmax(6rem, 1.4fr) 5rem auto 6rem auto;
}
.r {
  text-align: right;
}
@container leaf (max-width: 620px) {
  .stores {
    grid-template-columns: minmax(0, 1fr) 4.2rem auto 5.2rem;
  }
  .stores > button {
    grid-column: 1 / -1;
    justify-self: end;
  }
  .stores > .last {
    display: none;
  }
}
</style>
