<script setup lang="ts">
// What each bed wants in the next weeks, bed by bed: all tasks of what stands or will stand in it.
import { computed, ref } from 'vue'
import { useBedWork } from '../../lib/bedwork'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { fixed } from '../../lib/numbers'
import { usePaper } from '../../lib/paper'
import { useUnits } from '../../lib/units'
import { count, day, dayNumber, fullDay, isoDay } from '../../lib/words'
import ChoiceButtons from '../../parts/ChoiceButtons.vue'
import PaperChoice from '../../parts/PaperChoice.vue'
import './paper.css'

const store = useHousehold()
const ground = useGround()
const { say } = useUnits()
const { turns } = useBedWork()
const paper = usePaper(() => 'portrait', '12mm')
const weeks = ref('4')
const today = computed(() => store.plan?.as_of ?? '')
const last = computed(() => (today.value ? isoDay(dayNumber(today.value) + 7 * Number(weeks.value)) : ''))

interface Item {
  day: string
  what: string
  crop: string
  at: string
  more: string
}
/** The tasks of the sowings in a bed. Picking is on the picking sheet; what is done indoors is in no bed. */
const beds = computed(() =>
  (store.household?.beds ?? [])
    .map((b) => {
      const pieces = (ground.layout?.pieces ?? []).filter((p) => p.bed === b.id)
      const items: Item[] = []
      for (const s of store.plan?.sowings ?? []) {
        const mine = pieces.filter((p) => p.planting === s.id)
        if (!mine.length) continue
        const at = mine.map((p) => `${say(p.at, 'm')} to ${say(p.at + p.length, 'm')}`).join(', ')
        for (const t of s.tasks) {
          if ((t.state !== 'open' && t.state !== 'overdue') || t.day > last.value) continue
          if (t.what === 'pick' || t.what === 'last-pick' || t.what === 'pot-on' || t.what === 'harden-off') continue
          if (s.method === 'raised' && (t.what === 'sow' || t.what === 'up-by')) continue
          const turn = t.what === 'clear' ? turns.value.get(s.id)?.find((x) => x.bed === b.id) : undefined
          items.push({
            day: t.day,
            what: t.do,
            crop: s.crop_name,
            at,
            more: turn
              ? turn.parts
                  .slice(1)
                  .map((p) => `${p.do.toLowerCase()}${p.crop ? ` ${p.crop.toLowerCase()}` : ''}`)
                  .join(', ')
              : '',
          })
        }
      }
      for (const c of store.plan?.chores ?? [])
        if (c.bed === b.id && (c.state === 'open' || c.state === 'overdue') && c.day <= last.value)
          items.push({
            day: c.day,
            what: c.name,
            crop: '',
            at: '',
            more: c.minutes ? `${fixed(c.minutes, 0)} min` : '',
          })
      return { b, items: items.sort((x, y) => x.day.localeCompare(y.day) || x.crop.localeCompare(y.crop)) }
    })
    .filter((x) => x.items.length),
)
</script>

<template>
  <section class="sheets paper">
    <div class="bar no-print">
      <h2 tabindex="-1">Care by bed</h2>
      <RouterLink to="/paper">All sheets</RouterLink>
      <ChoiceButtons
        v-model="weeks"
        label="How far ahead"
        :options="[
          { value: '2', words: '2 weeks' },
          { value: '4', words: '4 weeks' },
          { value: '26', words: 'half a year' },
        ]"
      />
      <PaperChoice v-model="paper" words="print" />
    </div>
    <article v-for="x in beds" :key="x.b.id">
      <h3>
        {{ x.b.name }} <span>{{ count(x.items.length, 'task') }} until {{ fullDay(last) }}</span>
      </h3>
      <table>
        <tbody>
          <tr v-for="(i, k) in x.items" :key="k">
            <td><span class="box" aria-hidden="true"></span></td>
            <td class="date">{{ day(i.day) }}</td>
            <td>
              {{ i.what }} <b class="crop">{{ i.crop.toLowerCase() }}</b>
              <small v-if="i.more" class="quiet">{{ i.more }}</small>
            </td>
            <td class="n">{{ i.at }}</td>
          </tr>
        </tbody>
      </table>
    </article>
    <p v-if="!beds.length" class="quiet">
      {{
        store.household?.beds.length
          ? 'No bed has a task in these weeks.'
          : 'No beds yet. Add them in Ground; then each has its list here.'
      }}
    </p>
  </section>
</template>

<style scoped>
td:first-child {
  width: 1.8rem;
}
table {
  table-layout: fixed;
}
td:nth-child(2) {
  width: 5rem;
}
td:nth-child(4) {
  width: 30%;
  white-space: normal;
}
td small {
  display: block;
}
</style>
