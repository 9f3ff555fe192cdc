<script setup lang="ts">
// The step into the next table year, once this one is well on: what goes over by itself is
// shown before; undo takes it back.
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import { api, type Wish } from '../../lib/api'
import { useAnswer } from '../../lib/ask'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { capital, count, day, dayNumber, isoDay } from '../../lib/words'
import NextYear from './NextYear.vue'

const props = defineProps<{
  /** Changed for the next year. */
  wishes: Wish[]
  /** Left out of it. */
  without: string[]
}>()
const store = useHousehold()
const open = ref(false)
const refused = ref('')
const busy = ref(false)

/** The next year can be planned once this one's late summer has come: what is planted in autumn,
 * such as garlic, belongs to it. */
const lateSummer = 15
const late = computed(() => !!store.plan && store.plan.as_of >= (store.plan.weeks[lateSummer] ?? ''))
/** The last day of this table year: the one before the same day of the next. */
const last = computed(() => {
  const first = store.plan?.weeks[0] ?? ''
  return isoDay(dayNumber(Number(first.slice(0, 4)) + 1 + first.slice(4)) - 1)
})
const { data: turn, wrong } = useAnswer(
  'year-turn',
  () => (open.value ? true : undefined),
  (_, signal) => api.GET('/year-turn', { signal }),
)

async function begin() {
  busy.value = true
  const p = await store.turnYear(props.wishes, props.without)
  busy.value = false
  refused.value = wordsOf(p)
  if (!p) open.value = false
}
</script>

<template>
  <div v-if="late" class="turn no-print">
    <p>
      The year {{ store.plan?.year }} runs until {{ day(last) }}.
      <button type="button" class="link" :aria-expanded="open" @click="open = !open">
        Look at the next year, or start it
      </button>
    </p>
    <div v-if="open" class="over">
      <p v-if="wrong" class="wrong" role="alert">{{ capital(wrong) }}</p>
      <p v-else-if="!turn" class="quiet" role="status">Working it out …</p>
      <template v-else>
        <p>
          The next year begins on {{ day(turn.from) }}, with
          {{
            wishes.length || without.length
              ? `${count(wishes.length, 'changed wish', 'changed wishes')} and ${without.length || 'none'} left out`
              : 'your wishes as they are'
          }}. People, storage places and the crop book stay as they are. These carry over:
        </p>
        <ul>
          <li>
            <strong>{{ count(turn.goes.length, 'planting') }}</strong> that
            {{ turn.goes.length === 1 ? 'stands' : 'stand' }}, each in its bed<template v-if="turn.goes.length"
              >:
              <span v-for="(g, i) in turn.goes" :key="g.sowing" data-goes
                >{{ i ? ', ' : '' }}{{ g.crop
                }}<span class="quiet small">
                  ({{ g.beds.join(', ') || 'its bed is not known'
                  }}{{ g.until ? `, until ${day(g.until)}` : '' }})</span
                ></span
              ></template
            >
          </li>
          <li>
            <strong>{{ count(turn.lots, 'item') }}</strong> on the shelf
          </li>
          <li>
            the plant families that grew in <strong>{{ count(turn.stood.length, 'bed') }}</strong>, for rotation: what
            was sown or planted, in the bed where it really grew
          </li>
        </ul>
        <NextYear v-if="turn.coming" :coming="turn.coming" :from="turn.from" />
        <p class="act">
          <ElButton type="primary" :loading="busy" @click="begin">Start the year {{ turn.year }}</ElButton>
          <span class="quiet small"
            >Undo reverses this. What you planned for this year and did not sow is dropped.</span
          >
          <span v-if="refused" class="wrong" role="alert">{{ capital(refused) }}</span>
        </p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.turn > p {
  margin: 0;
}
.over {
  max-width: 52rem;
  padding: var(--space-3) var(--space-5) var(--space-4);
  border-left: 3px solid var(--ink-2);
}
ul {
  margin: var(--space-2) 0;
  padding-left: var(--space-5);
}
.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3) var(--space-5);
}
</style>
