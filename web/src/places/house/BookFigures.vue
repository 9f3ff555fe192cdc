<script setup lang="ts">
// The figures of one row of the book, each to be overruled and Use the usual figure. What would
// follow is shown before it is taken.
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { BookFigure, Overrule } from '../../lib/api'
import { useForesight } from '../../lib/foresight'
import { useHousehold } from '../../lib/household'
import { otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import ForesightPanel from '../../parts/ForesightPanel.vue'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ subject: string; name: string; figures: BookFigure[] }>()
const store = useHousehold()
const { say } = useUnits()
const { change, found, wrong, propose, drop } = useForesight()
const why = ref('')
const asked = ref(0) // an input that is left as it was shows its figure again

/** The figures by what they are about; those of a preparation stand together. */
const parts = computed(() => {
  const out: { name: string; figures: BookFigure[] }[] = []
  for (const f of props.figures) {
    const last = out[out.length - 1]
    if (last && last.name === f.part) last.figures.push(f)
    else out.push({ name: f.part, figures: [f] })
  }
  return out
})
const own = (f: BookFigure): Overrule | undefined =>
  store.household?.overrules.find((o) => o.subject === props.subject && o.field === f.field)
const words = (f: BookFigure, choice: string) => f.choices.find((c) => c.value === choice)?.words ?? choice

const open = computed(() => change.value?.overrule?.field)
const what = computed(() => {
  const o = change.value?.overrule
  const f = props.figures.find((x) => x.field === o?.field)
  if (!o || !f) return ''
  const from = f.choices.length ? words(f, f.choice) : f.known ? say(f.value, f.unit) : 'none'
  const to = f.choices.length ? words(f, o.choice ?? '') : say(o.value, f.unit)
  return `${props.name}: ${f.name.toLowerCase()}, from ${from} to ${to}`
})

function offer(f: BookFigure, value: number, choice = '') {
  if (Number.isNaN(value) || (choice ? choice === f.choice : f.known && value === f.value)) return
  why.value = own(f)?.why ?? ''
  void propose({
    command: 'overrule',
    overrule: { subject: props.subject, field: f.field, value, ...(choice ? { choice } : {}) },
  })
}
async function take() {
  const o = change.value?.overrule
  if (!o) return
  const p = await store.edit({
    command: 'overrule',
    overrule: { ...o, ...(why.value.trim() ? { why: why.value.trim() } : {}) },
  })
  if (p) wrong.value = otherErrors(p) || p.detail
  else drop()
}
function leave() {
  drop()
  asked.value++
}
async function putBack(f: BookFigure) {
  drop()
  const p = await store.edit({ command: 'put-back', overrule: { subject: props.subject, field: f.field, value: 0 } })
  wrong.value = p ? otherErrors(p) || p.detail : ''
}
</script>

<template>
  <div>
    <div v-for="part in parts" :key="part.name" class="part">
      <h4 v-if="part.name">{{ part.name }}</h4>
      <div class="figures">
        <template v-for="f in part.figures" :key="f.field">
          <div class="figure-row" :data-field="f.field">
            <span class="small" :class="{ mine: f.set }">{{ f.name }}</span>
            <ElSelect
              v-if="f.choices.length"
              :model-value="f.choice"
              size="small"
              :aria-label="f.name"
              @change="(v: string) => offer(f, 0, v)"
            >
              <ElOption v-for="c in f.choices" :key="c.value" :value="c.value" :label="c.words" />
            </ElSelect>
            <NumberInput
              v-else
              :key="f.field + asked"
              :model-value="f.known ? f.value : undefined"
              :unit="f.unit"
              suffix
              blank
              placeholder="none"
              :label="f.name"
              @update:model-value="(v) => v !== undefined && offer(f, v)"
            />
            <span v-if="f.set" class="small own">
              <span class="quiet"
                >usual
                {{ f.choices.length ? words(f, f.usual_choice) : f.no_usual ? 'none' : say(f.usual, f.unit) }}</span
              >
              <button type="button" class="link" :aria-label="'Use the usual figure for ' + f.name" @click="putBack(f)">
                Use the usual figure
              </button>
              <em v-if="own(f)?.why" class="why quiet">{{ own(f)?.why }}</em>
            </span>
          </div>
          <ForesightPanel v-if="open === f.field" class="whole" :what="what" :found="found" @take="take" @leave="leave">
            <label class="reason"
              >Why (to remember it later)
              <ElInput v-model="why" size="small" maxlength="200" aria-label="Why" @keydown.enter.prevent="take" />
            </label>
          </ForesightPanel>
        </template>
      </div>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
h4 {
  margin: var(--space-4) 0 var(--space-1);
  font-family: var(--serif);
  font-size: var(--type-text);
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
  gap: var(--space-1) var(--space-7);
}
.figure-row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 9rem;
  align-items: center;
  gap: 0 var(--space-4);
}
.own {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
  justify-content: flex-end;
}
.why {
  flex-basis: 100%;
  text-align: right;
}
.whole {
  grid-column: 1 / -1;
}
.mine {
  color: var(--accent);
  font-weight: 600;
}
.reason {
  display: block;
  margin-top: var(--space-4);
}
.reason .el-input {
  max-width: 32rem;
}
@media (max-width: 420px) {
  .figures {
    grid-template-columns: 1fr;
  }
}
</style>
