<script setup lang="ts">
// One bed at a time, for a narrow screen in the garden: a strip of what lies in it on the day, and its
// plantings as a list: what grows, what comes next, what was there before.
import { ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import type { Bed, Piece } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { count, day as words, dated } from '../../lib/words'

const props = defineProps<{ beds: Bed[]; pieces: Piece[]; day: string }>()
const emit = defineEmits<{ pick: [planting: string]; free: [bed: string] }>()
/** The bed that is shown. */
const shown = defineModel<string>({ required: true })
const store = useHousehold()
const ground = useGround()
const { say } = useUnits()

const at = computed(() =>
  Math.max(
    0,
    props.beds.findIndex((b) => b.id === shown.value),
  ),
)
const bed = computed(() => props.beds[at.value])
const step = (by: number) => {
  const next = props.beds[(at.value + by + props.beds.length) % props.beds.length]
  if (next) shown.value = next.id
}
const mine = computed(() =>
  props.pieces
    .filter((p) => p.bed === bed.value?.id)
    .map((p) => ({ p, name: ground.names.get(p.planting) ?? '' }))
    .sort((a, b) => a.p.from.localeCompare(b.p.from) || a.p.at - b.p.at),
)
const now = computed(() =>
  mine.value.filter(({ p }) => p.from <= props.day && props.day < p.to).sort((a, b) => a.p.at - b.p.at),
)
const parts = computed(() => [
  { name: `On ${words(props.day)}`, none: 'Nothing grows here then.', list: now.value },
  { name: 'Next', none: 'Nothing more is planned here.', list: mine.value.filter(({ p }) => p.from > props.day) },
  { name: 'Before', none: '', list: mine.value.filter(({ p }) => p.to <= props.day).reverse() },
])
/** The next thing to do with a planting. */
function task(id: string) {
  const s = store.plan?.sowings.find((x) => x.id === id)
  const t = s?.tasks.find((x) => x.state === 'open' || x.state === 'overdue')
  return t ? `${t.do.toLowerCase()} ${dated(t.day, store.plan?.as_of)}` : ''
}
const percent = (m: number) => `${(100 * m) / (bed.value?.length || 1)}%`
</script>

<template>
  <div v-if="bed" class="one">
    <div class="head">
      <button type="button" class="plain step" aria-label="The bed before" @click="step(-1)">‹</button>
      <ElSelect :model-value="bed.id" aria-label="Which bed" @change="(id: string) => (shown = id)">
        <ElOption v-for="b in beds" :key="b.id" :value="b.id" :label="b.name" />
      </ElSelect>
      <button type="button" class="plain step" aria-label="The next bed" @click="step(1)">›</button>
    </div>
    <div class="strip" role="group" :aria-label="`${bed.name} on ${words(day)}`">
      <button
        v-for="{ p, name } in now"
        :key="p.planting + p.at"
        type="button"
        class="plain"
        :class="[ground.stateOf(p.planting), { shares: p.with }]"
        :style="{ left: percent(p.at), width: percent(p.length) }"
        :aria-label="`${name}, ${say(p.at, 'm')} to ${say(p.at + p.length, 'm')}`"
        @click="emit('pick', p.planting)"
      >
        {{ p.length / bed.length > 0.2 ? name : '' }}
      </button>
    </div>
    <p class="scale small quiet">
      <span>{{ say(0, 'm') }}</span><span>{{ say(bed.length / 2, 'm') }}</span
      ><span>{{ say(bed.length, 'm') }}</span>
    </p>
    <section v-for="part in parts.filter((x) => x.list.length || x.none)" :key="part.name" :aria-label="part.name">
      <h3>
        {{ part.name }} <span v-if="part.list.length" class="small quiet">{{ count(part.list.length, 'crop') }}</span>
      </h3>
      <ul>
        <li v-for="{ p, name } in part.list" :key="p.planting + p.at">
          <button type="button" class="plain" @click="emit('pick', p.planting)">
            <b>{{ name }}</b>
            <span class="small">{{ say(p.at, 'm') }} to {{ say(p.at + p.length, 'm') }}</span>
            <span class="small quiet"
              >{{ dated(p.from, day) }} to {{ dated(p.to, day)
              }}{{ p.to > day && task(p.planting) ? `; ${task(p.planting)}` : '' }}</span
            >
          </button>
        </li>
      </ul>
      <p v-if="!part.list.length" class="quiet small">{{ part.none }}</p>
    </section>
    <button type="button" class="link free" @click="emit('free', bed.id)">
      What is free here, and what can follow?
    </button>
  </div>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: 48px 1fr 48px;
  gap: var(--space-3);
  padding: var(--space-3) 0;
}
.step {
  min-height: 48px;
  border: 1px solid var(--hair-2);
  font-size: var(--type-head);
  text-align: center;
}
.strip {
  position: relative;
  overflow: hidden;
  height: 64px;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
}
.strip button {
  position: absolute;
  top: 0;
  height: 100%;
  padding: 0;
  min-width: 0;
  box-sizing: border-box;
  text-align: center;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  font-family: var(--serif);
  border: 1px solid var(--fresh);
  background: color-mix(in srgb, var(--fresh) 32%, var(--sheet));
}
.strip .planned {
  background: color-mix(in srgb, var(--fresh) 9%, var(--sheet));
}
.strip .overdue {
  border: 2px dashed var(--accent);
  background: color-mix(in srgb, var(--accent) 12%, var(--sheet));
}
.strip .shares {
  height: 50%;
}
.scale {
  display: flex;
  justify-content: space-between;
  margin: 0;
}
h3 {
  border-bottom: 1px solid var(--ink-2);
  font-size: var(--type-large);
  padding-top: var(--space-4);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 var(--space-4);
  width: 100%;
  min-height: 48px;
  text-align: left;
  align-items: baseline;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
li b {
  font-family: var(--serif);
  font-size: var(--type-large);
}
li .quiet {
  grid-column: 1 / -1;
}
.free {
  min-height: 48px;
}
</style>
