<script setup lang="ts">
// Sowings: every sowing by its date, with all its counts.
import { useMediaQuery } from '@vueuse/core'
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { provideChances } from '../../lib/chances'
import { useFind } from '../../lib/find'
import { useHousehold } from '../../lib/household'
import { useKeys } from '../../lib/keys'
import { useLate } from '../../lib/late'
import { byMonth, monthYear, serves } from '../../lib/words'
import AgreeBar from './AgreeBar.vue'
import ShelfLine from './ShelfLine.vue'
import SowingLine from './SowingLine.vue'
import SowingsHead from './SowingsHead.vue'
import TimeField from './TimeField.vue'

const store = useHousehold()
provideChances()
const find = useFind()
const head = ref<InstanceType<typeof SowingsHead>>()
const only = ref('')
const view = ref('list') // or time

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

// A screen of rows is painted at once, the rest when the browser has time.
const late = useLate(() => shown.value.length, 10, 12)
const months = computed(() => byMonth(shown.value.slice(0, late.value), (s) => s.date))

/** A narrow screen has one month at a time, that of today first. */
const narrow = useMediaQuery('(max-width: 720px)')
const at = ref(0)
watch(
  () => [months.value.length, find.value, only.value],
  () => {
    const today = monthYear(store.plan?.as_of ?? '')
    at.value = Math.max(
      0,
      months.value.findIndex((m) => m.month === today),
    )
  },
  { immediate: true },
)
useKeys([{ keys: 'f', does: 'find a sowing', run: () => head.value?.focus() }])
</script>

<template>
  <section>
    <SowingsHead ref="head" v-model:view="view" v-model:only="only" v-model:find="find" />
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
          <div class="r">bed space</div>
        </div>
        <div>up by<br />plant out</div>
        <div>pick<br />clear</div>
        <div class="r">harvest,<br />bad to good year</div>
        <div class="feeds">weeks of food</div>
      </div>
      <p v-if="narrow" class="turn no-print">
        <button type="button" class="plain" aria-label="Previous month" :disabled="at <= 0" @click="at--">‹</button>
        <ElSelect v-model="at" aria-label="Month">
          <ElOption v-for="(m, i) in months" :key="m.month" :value="i" :label="`${m.month} (${m.entries.length})`" />
        </ElSelect>
        <button type="button" class="plain" aria-label="Next month" :disabled="at >= months.length - 1" @click="at++">
          ›
        </button>
      </p>
      <template v-for="m in narrow ? months.slice(at, at + 1) : months" :key="m.month">
        <h3 class="month">{{ m.month }}</h3>
        <SowingLine v-for="s in m.entries" :key="s.id" :sowing="s" />
      </template>
    </template>
    <p v-else-if="store.plan?.sowings.length" class="empty">No sowing matches.</p>
    <p v-else class="empty">Nothing to sow yet. Add what your family eats in Table, and its sowings show here.</p>
  </section>
</template>

<style scoped>
.turn {
  display: grid;
  grid-template-columns: 44px 1fr 44px;
  gap: var(--space-3);
}
.turn button {
  min-height: 44px;
  font-size: var(--type-title);
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
