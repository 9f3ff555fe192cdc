<script setup lang="ts">
// One thing that grows already: what, how much, where, since when, and how it looks.
import { ElOption, ElSelect } from 'element-plus'
import { computed, watch } from 'vue'
import { looks, measures, weeksSince, daysAgo, type GrowsLine } from '../../lib/grows'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import DateField from '../../parts/DateField.vue'

const props = defineProps<{ line: GrowsLine; wrong: string }>()
const emit = defineEmits<{ enter: []; away: []; change: [] }>()
const store = useHousehold()
const { shown } = useUnits()
const l = computed(() => props.line)
const today = computed(() => store.plan?.as_of ?? '')
const crops = computed(() =>
  store.crops
    .filter((c) => c.weighed || c.perennial)
    .map((c) => ({ ...c, name: capital(c.name) }))
    .sort((a, b) => a.name.localeCompare(b.name)),
)
const kind = computed(() => crops.value.find((c) => c.id === l.value.crop))
const weeks = computed({
  get: () => weeksSince(l.value.since, today.value),
  set: (n?: number) => {
    if (n !== undefined) l.value.since = daysAgo(7 * n, today.value)
  },
})
watch(kind, (k) => {
  if (k) l.value.set = k.set_out
})
watch(l, () => emit('change'), { deep: true })
</script>

<template>
  <li data-grows>
    <ElSelect
      v-model="l.crop"
      class="what"
      size="small"
      filterable
      default-first-option
      placeholder="which crop? type to find"
      aria-label="Crop"
    >
      <ElOption v-for="c in crops" :key="c.id" :value="c.id" :label="c.name" />
    </ElSelect>
    <NumberInput v-model="l.count" class="count" :unit="l.by === 'plants' ? '' : 'm'" label="How many" />
    <ElSelect v-model="l.by" size="small" class="by" aria-label="Measured in">
      <ElOption
        v-for="m in measures"
        :key="m.by"
        :value="m.by"
        :label="m.by === 'plants' ? m.words : `${shown('m').unit} ${m.words}`"
      />
    </ElSelect>
    <ElSelect v-model="l.bed" size="small" class="bed" clearable placeholder="in which bed?" aria-label="In which bed">
      <ElOption v-for="b in store.household?.beds ?? []" :key="b.id" :value="b.id" :label="b.name" />
    </ElSelect>
    <ElSelect v-if="!kind?.perennial" v-model="l.set" size="small" class="how" aria-label="Sown or planted">
      <ElOption :value="false" label="sown" />
      <ElOption :value="true" label="planted out" />
    </ElSelect>
    <span v-else class="how small">planted</span>
    <DateField v-model="l.since" class="on" label="On which day" :max="today" />
    <span class="ago small"
      >or <NumberInput v-model="weeks" label="How many weeks ago" @keydown.enter="emit('enter')" /> weeks ago</span
    >
    <ElSelect v-if="!kind?.perennial" v-model="l.look" size="small" class="look" aria-label="How far along it is">
      <ElOption v-for="x in looks" :key="x.look" :value="x.look" :label="x.words" />
    </ElSelect>
    <button type="button" class="link small" @click="emit('away')">Remove</button>
    <span v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</span>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
.what {
  width: 12rem;
}
.count {
  width: 4.6rem;
}
.by {
  width: 7.6rem;
}
.bed {
  width: 7.6rem;
}
.how {
  width: 7.4rem;
}
.on {
  width: 8.6rem;
}
.ago {
  display: inline-flex;
  align-items: center;
  gap: var(--space-3);
}
.ago .number-input {
  width: 2.8rem;
}
.look {
  width: 8.8rem;
}
.wrong {
  flex-basis: 100%;
}
@media (max-width: 720px) {
  .what,
  .bed,
  .look {
    width: 100%;
  }
  .link {
    min-height: 44px;
  }
}
</style>
