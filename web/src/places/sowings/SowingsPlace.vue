<script setup lang="ts">
// Sowings: every sowing by its date, with all its counts.
import { ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import { provideChances } from '../../lib/chances'
import { useFind } from '../../lib/find'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useLate } from '../../lib/late'
import { useUnits } from '../../lib/units'
import { byMonth, serves } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import AgreeBar from './AgreeBar.vue'
import ShelfLine from './ShelfLine.vue'
import SowingLine from './SowingLine.vue'
import TimeField from './TimeField.vue'

const store = useHousehold()
provideChances()
const { system } = useUnits()
const find = useFind()
const finder = ref<InstanceType<typeof ElInput>>()
const only = ref('')
const view = ref('list') // or time

const methods = [
  { value: '', label: 'all' },
  { value: 'raised', label: 'sown indoors' },
  { value: 'direct', label: 'sown in the bed' },
  { value: 'stock', label: 'planted (sets, tubers, cloves, young plants)' },
  { value: 'other', label: 'patches and trays' },
]

const shown = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return (store.plan?.sowings ?? []).filter(
    (s) =>
      (!wanted || (s.crop_name + ' ' + serves(s)).toLowerCase().includes(wanted)) &&
      (!only.value ||
        s.method === only.value ||
        (only.value === 'stock' && s.method === 'bought') ||
        (only.value === 'other' && (s.method === 'patch' || s.method === 'tray'))),
  )
})

const feed = computed(() => `${location.origin}/api${store.state?.calendar ?? ''}?units=${system.value}`)

// A screen of rows is painted at once, the rest when the browser has time.
const late = useLate(() => shown.value.length, 10, 12)
const months = computed(() => byMonth(shown.value.slice(0, late.value), (s) => s.date))

useKeys([{ keys: 'f', does: 'find a sowing', run: () => finder.value?.focus() }])
</script>

<template>
  <section>
    <div class="place-bar">
      <h2 tabindex="-1">Sowings</h2>
      <p class="quiet small basis">
        {{ store.household?.school === 'temperature' ? 'First dates set by temperature' : 'First dates set by frost' }},
        warm soil and the heat each crop needs.
      </p>
      <div class="tools no-print">
        <ChoiceButtons
          v-model="view"
          label="How they are shown"
          :options="[
            { value: 'list', words: 'by date' },
            { value: 'time', words: 'over the year' },
          ]"
        />
        <div class="only" role="group" aria-label="Which sowings">
          <button
            v-for="m in methods"
            :key="m.value"
            type="button"
            class="plain"
            :aria-pressed="only === m.value"
            @click="only = m.value"
          >
            {{ m.label }}
          </button>
        </div>
        <ElInput
          ref="finder"
          v-model="find"
          size="small"
          placeholder="find"
          aria-label="Find a sowing"
          clearable
          @keydown.esc="find = ''"
        />
      </div>
    </div>
    <p class="no-print outs small">
      <RouterLink to="/sowings/sheet/sowing">Sowing sheet</RouterLink>
      <RouterLink to="/sowings/sheet/raising">Indoor sowing sheet</RouterLink>
      <a :href="`/api/calendar?units=${system}`" download="sowings.ics">Calendar file</a>
      <a :href="feed" title="Address for your calendar app">Calendar address</a>
    </p>
    <AgreeBar v-if="store.plan?.sowings.length" />
    <ShelfLine />
    <TimeField v-if="shown.length && view === 'time'" :sowings="shown" />
    <template v-else-if="shown.length">
      <div class="sow-grid heads" aria-hidden="true">
        <div>start on</div>
        <div>crop and wish</div>
        <div>sow</div>
        <div class="ground">
          <div class="r">plants</div>
          <div class="r">row</div>
          <div class="r">bed</div>
        </div>
        <div>up by<br />plant out</div>
        <div>picked<br />cleared</div>
        <div class="r">gives<br />poor to good year</div>
        <div class="feeds">weeks of food</div>
      </div>
      <template v-for="m in months" :key="m.month">
        <h3 class="month">{{ m.month }}</h3>
        <SowingLine v-for="s in m.entries" :key="s.id" :sowing="s" />
      </template>
    </template>
    <p v-else-if="store.plan?.sowings.length" class="empty">No sowing matches.</p>
    <p v-else class="empty">Nothing to sow yet. Add what your family eats in Table, and its sowings show here.</p>
  </section>
</template>

<style scoped>
.basis {
  flex: 1;
}
.outs {
  margin-bottom: var(--space-2);
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-5);
  align-items: center;
}
.tools .el-input {
  width: 8rem;
}
.only {
  display: flex;
  flex-wrap: wrap;
  font-size: var(--type-small);
  border: 1px solid var(--hair-2);
}
.only button {
  padding: var(--space-1) var(--space-4);
}
.only button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
.heads {
  font-size: var(--type-tiny);
  color: var(--ink-2);
  line-height: 1.15;
  align-items: end;
  border-bottom: 1px solid var(--ink-2);
  padding-bottom: var(--space-2);
}
.heads .ground {
  display: grid;
  grid-template-columns: 3.4rem 1fr 1.15fr;
  column-gap: var(--space-4);
}
.r {
  text-align: right;
}
.month {
  margin-top: var(--space-5);
  padding-bottom: var(--space-1);
  border-bottom: 1px solid var(--hair-2);
}
.empty {
  padding: var(--space-7) 0;
  font-family: var(--serif);
  font-size: var(--type-large);
}
</style>

<style>
.sow-grid {
  display: grid;
  grid-template-columns: 3.8rem minmax(8rem, 1.3fr) minmax(9rem, 1.2fr) 11.5rem 4.1rem 7.8rem 6.2rem minmax(
      6rem,
      0.8fr
    );
  column-gap: var(--space-5);
}
@container leaf (max-width: 960px) {
  .sow-grid {
    grid-template-columns: 3.6rem minmax(6rem, 1.3fr) minmax(6.5rem, 1.1fr) 10.8rem 3.8rem 7.4rem 5.2rem;
    column-gap: var(--space-4);
  }
  .sow-grid .feeds {
    display: none;
  }
}
@container leaf (max-width: 620px) {
  .sow-grid.heads {
    display: none;
  }
  .sow-grid {
    grid-template-columns: 4rem minmax(0, auto) minmax(0, 1fr);
    column-gap: var(--space-5);
  }
}
</style>
