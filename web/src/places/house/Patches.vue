<script setup lang="ts">
// Perennials that stand already: what they give follows from their age.
import { ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import NumberInput from '../../parts/NumberInput.vue'

const store = useHousehold()
const { rows, wrong, save, add, remove } = useRows('patch', () => store.household?.patches ?? [])
const perennials = computed(() => (store.reference?.foods ?? []).flatMap((f) => f.kinds).filter((k) => k.perennial))
const name = (id: string) => perennials.value.find((k) => k.id === id)?.name ?? id
const fresh = () =>
  add({ id: '', crop: perennials.value[0]?.id ?? '', plants: 10, planted: (store.household?.year ?? 2000) - 3 })
</script>

<template>
  <section aria-label="Patches growing now">
    <h3>Patches growing now</h3>
    <p v-if="!rows.length" class="quiet small">
      None yet. Asparagus, rhubarb, berries and other plants that stay for years are counted by age against your wishes.
    </p>
    <div v-else class="rows patches">
      <span class="quiet small">crop</span><span class="quiet small r">plants</span
      ><span class="quiet small r">planted in</span><span></span>
      <template v-for="(r, i) in rows" :key="r.value.id">
        <ElSelect v-model="r.value.crop" size="small" :aria-label="`Patch ${i + 1}`" @change="save(i)">
          <ElOption v-for="k in perennials" :key="k.id" :value="k.id" :label="k.name" />
        </ElSelect>
        <NumberInput v-model="r.value.plants" :label="'Plants of ' + name(r.value.crop)" @done="save(i)" />
        <NumberInput
          v-model="r.value.planted"
          :label="'Year in which ' + name(r.value.crop) + ' was planted'"
          @done="save(i)"
        />
        <button
          type="button"
          class="link small"
          :aria-label="'Remove ' + name(r.value.crop)"
          @click="remove(r.value.id)"
        >
          Remove
        </button>
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="button" class="link add" @click="fresh">Add a patch</button>
  </section>
</template>

<style scoped>
.patches {
  grid-template-columns: minmax(7rem, 1.6fr) 4.5rem 5rem auto;
}
.r {
  text-align: right;
}
@container leaf (max-width: 620px) {
  .patches {
    grid-template-columns: minmax(0, 1fr) 3.6rem 4.2rem auto;
  }
}
</style>
