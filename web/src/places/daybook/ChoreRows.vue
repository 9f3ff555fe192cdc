<script setup lang="ts">
// Jobs of the household's own, that no sowing asks for: on one day, or every so many days.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, reactive } from 'vue'
import type { Chore } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import { dated } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import DateField from '../../parts/DateField.vue'

const store = useHousehold()
const { rows, wrong, save, add, remove } = useRows('chore', () => store.household?.chores ?? [])
const today = computed(() => store.plan?.as_of ?? '')
const beds = computed(() => store.household?.beds ?? [])
const fresh = (): Chore => ({ id: '', name: '', day: today.value, every: 0, minutes: 30, bed: '', done: [] })
const next = reactive(fresh())
async function addOne() {
  if (await add({ ...next })) Object.assign(next, fresh())
}
/** When a job is due next. */
const due = (c: Chore) => {
  const d = store.plan?.chores.find((x) => x.chore === c.id && x.state !== 'done')
  return d ? `next on ${dated(d.day, today.value)}` : 'done'
}
</script>

<template>
  <section aria-label="Jobs of your own">
    <h3>Jobs of your own</h3>
    <p v-if="!rows.length" class="quiet small">
      None yet. Add what no sowing asks for: turn the compost every 14 days, clean the gutters in March, feed the hens.
    </p>
    <ul v-else>
      <li v-for="(r, i) in rows" :key="r.value.id" class="job">
        <ElInput v-model="r.value.name" size="small" maxlength="80" :aria-label="`Job ${i + 1}`" @change="save(i)" />
        <label class="field"
          ><span>first on</span><DateField v-model="r.value.day" label="First day" @done="save(i)"
        /></label>
        <label class="field"
          ><span>then every</span
          ><NumberInput
            :model-value="r.value.every ?? 0"
            unit="days"
            suffix
            :label="`Days between, ${r.value.name}`"
            @update:model-value="
              (n) => {
                r.value.every = n ?? 0
                void save(i)
              }
            "
        /></label>
        <label class="field"
          ><span>takes</span
          ><NumberInput
            v-model="r.value.minutes"
            unit="minutes"
            suffix
            :label="`Minutes of ${r.value.name}`"
            @done="save(i)"
        /></label>
        <label v-if="beds.length" class="field bed"
          ><span>in</span
          ><ElSelect
            :model-value="r.value.bed ?? ''"
            size="small"
            aria-label="In which bed"
            :empty-values="[null, undefined]"
            @change="
              (v: string) => {
                r.value.bed = v
                void save(i)
              }
            "
          >
            <ElOption value="" label="no bed" />
            <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" /></ElSelect
        ></label>
        <label v-if="r.value.every" class="field"
          ><span>until</span
          ><DateField
            :model-value="r.value.until ?? ''"
            blank
            :label="`Last day of ${r.value.name}`"
            @update:model-value="
              (v: string) => {
                r.value.until = v || undefined
                void save(i)
              }
            "
        /></label>
        <span v-else></span>
        <span class="small quiet due">{{ due(r.value) }}</span>
        <button type="button" class="link small" :aria-label="`Remove ${r.value.name}`" @click="remove(r.value.id)">
          Remove
        </button>
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </li>
    </ul>
    <form class="job new no-print" @submit.prevent="addOne">
      <ElInput
        v-model="next.name"
        size="small"
        maxlength="80"
        placeholder="turn the compost"
        aria-label="What is the job?"
      />
      <label class="field"
        ><span>first on</span><DateField v-model="next.day" label="First day of the new job"
      /></label>
      <label class="field"
        ><span>then every</span
        ><NumberInput v-model="next.every" unit="days" suffix label="Days between, of the new job" /></label
      ><label class="field"
        ><span>takes</span><NumberInput v-model="next.minutes" unit="minutes" suffix label="Minutes of the new job"
      /></label>
      <ElButton native-type="submit" size="small" type="primary" :disabled="!next.name.trim()">Add the job</ElButton>
      <span class="small quiet">0 days: it is done once</span>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.job {
  display: grid;
  grid-template-columns: minmax(8rem, 1fr) 9rem 5.5rem 5.5rem auto 9rem auto auto;
  gap: var(--space-2) var(--space-5);
  align-items: end;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
.bed {
  width: 8rem;
}
.due {
  min-width: 7rem;
}
.wrong {
  grid-column: 1 / -1;
}
@media (max-width: 860px) {
  .job {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
