<script setup lang="ts">
// A sheet for beside the scale: what is likely ready this week and next, with a box for the weight of
// each day.
import { computed, ref } from 'vue'
import { monday } from '../../lib/daybook'
import { useWhere } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { usePaper } from '../../lib/paper'
import { useUnits } from '../../lib/units'
import { fullDay, isoDay, day } from '../../lib/words'
import PaperChoice from '../../parts/PaperChoice.vue'
import WeekChoice from '../../parts/WeekChoice.vue'
import './paper.css'

const store = useHousehold()
const { say } = useUnits()
const whereIs = useWhere()
const paper = usePaper(() => 'landscape', '10mm')
const ahead = ref(0)
const today = computed(() => store.plan?.as_of ?? '')
const from = computed(() => isoDay((today.value ? monday(today.value) : 0) + 7 * ahead.value))
const to = computed(() => isoDay((today.value ? monday(today.value) : 0) + 7 * ahead.value + 6))
/** What can be picked in the week, food by food as they are weighed, the earliest to end first. */
const rows = computed(() =>
  (store.plan?.sowings ?? [])
    .filter((s) => !s.over && s.first_pick && s.first_pick <= to.value && (s.last_pick ?? s.first_pick) >= from.value)
    .map((s) => ({ s, where: whereIs(s.id), until: s.last_pick ?? s.first_pick ?? '' }))
    .sort((a, b) => a.until.localeCompare(b.until) || a.s.crop_name.localeCompare(b.s.crop_name)),
)
const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
</script>

<template>
  <section class="sheets paper">
    <div class="bar no-print">
      <h2 tabindex="-1">Picking sheet</h2>
      <RouterLink to="/paper">All sheets</RouterLink>
      <WeekChoice v-model="ahead" />
      <PaperChoice v-model="paper" words="print" />
    </div>
    <article>
      <h3>
        To pick, week of {{ fullDay(from) }} <span>{{ store.household?.name }}</span>
      </h3>
      <table v-if="rows.length">
        <thead>
          <tr>
            <th>crop</th>
            <th>where</th>
            <th>until</th>
            <th v-for="d in days" :key="d" class="write">{{ d }}</th>
            <th class="write">to whom, remarks</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.s.id">
            <td class="crop">
              {{ r.s.crop_name }}
              <small class="quiet">{{ say(r.s.likely, r.s.unit) }} likely in all</small>
            </td>
            <td>{{ r.where }}</td>
            <td class="date">{{ day(r.until) }}</td>
            <td v-for="d in days" :key="d" class="write"></td>
            <td class="write remark"></td>
          </tr>
          <tr v-for="n in 3" :key="n">
            <td class="crop">&nbsp;</td>
            <td></td>
            <td></td>
            <td v-for="d in days" :key="d" class="write"></td>
            <td class="write remark"></td>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">Nothing is likely to be ready in this week.</p>
    </article>
  </section>
</template>

<style scoped>
.crop small {
  display: block;
  font-weight: 400;
}
.remark {
  width: 22%;
}
td.write,
th.write {
  padding-left: var(--space-2);
}
tbody tr {
  height: 2.4em;
}
</style>
