<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Sowing } from '../../lib/api'
import { useChances } from '../../lib/chances'
import { useWhere } from '../../lib/ground'
import { useUnits } from '../../lib/units'
import { count, dated, day, serves, coverSaid, years } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import Ribbon from '../../parts/Ribbon.vue'
import SowingCounts from './SowingCounts.vue'
import SowingPanel from './SowingPanel.vue'

const props = defineProps<{ sowing: Sowing }>()
const { say, quantity, range } = useUnits()
const s = computed(() => props.sowing)
const why = ref(false)
const base = computed(() => `sowing/${props.sowing.id}`)

const sources = computed(() => {
  const out: string[] = Array(52).fill('')
  for (const w of s.value.feeds) out[w] = s.value.form || ''
  return out
})

const whereIs = useWhere()
const chanceOf = useChances()
const chance = computed(() => chanceOf(props.sowing.id))
const spacing = computed(() => {
  const x = s.value
  if (!x.in_row) return ''
  const n = (v: number) => quantity(v, 'cm').number
  if (x.layout === 'block') return `in a block`
  return `${n(x.in_row)} × ${say(x.row_gap, 'cm')}, ${count(x.rows, x.layout === 'across' ? 'plant across' : 'row', x.layout === 'across' ? 'plants across' : 'rows')}`
})
</script>

<template>
  <div class="sow-grid line" data-row :data-sowing="s.id">
    <div class="date" :class="{ warn: s.late }">
      <button
        type="button"
        class="plain because"
        :aria-expanded="why"
        :aria-label="`${day(s.date)}: why this date`"
        @click="why = !why"
      >
        {{ day(s.date) }}
      </button>
      <span v-if="s.presumed" class="late">was it sown?</span>
      <span v-else-if="s.late" class="late">overdue</span>
      <span v-else-if="s.begun" class="held">started</span>
      <span v-else-if="s.set" class="held">date fixed by you</span>
    </div>
    <div class="crop">
      <span class="name">{{ s.crop_name }}</span>
      <span class="for"
        >{{ serves(s) }}{{ s.cover ? `, under ${coverSaid(s.cover)}` : '' }}{{ s.stands ? ', growing already' : ''
        }}{{ s.early ? ', early row' : '' }}</span
      >
    </div>
    <SowingCounts :sowing="s" class="sow" />
    <div class="ground">
      <div class="n strong">
        <Figure v-if="s.plants" :value="s.plants" :figure="base + '/plants'" label="plants" />
        <span v-if="s.plants" class="tag">plants</span>
      </div>
      <div class="n">
        <template v-if="s.row_metres"
          >{{ quantity(s.row_metres, 'm').number
          }}<span class="unit">&nbsp;{{ quantity(s.row_metres, 'm').unit }}</span></template
        >
      </div>
      <div class="n">
        <Figure :value="s.area" unit="m²" :figure="base + '/area'" :label="s.method === 'tray' ? 'tray' : 'bed'" />
      </div>
      <span v-if="spacing" class="for spacing">{{ spacing }}</span>
      <span v-if="whereIs(s.id)" class="for spacing">{{ whereIs(s.id) }}</span>
    </div>
    <div class="dates">
      <span v-if="s.up_by"><span class="tag">up by </span>{{ dated(s.up_by, s.date) }}</span
      ><span v-else>–</span>
      <span class="for"
        ><template v-if="s.plant_out && s.method === 'raised'"
          ><span class="tag">plant out </span>{{ dated(s.plant_out, s.date) }}</template
        ></span
      >
    </div>
    <div class="dates picked">
      <span v-if="s.first_pick"
        ><span class="tag">pick </span>{{ dated(s.first_pick, s.date)
        }}{{ s.last_pick !== s.first_pick ? ' – ' + dated(s.last_pick, s.first_pick) : '' }}</span
      ><span v-else>–</span>
      <span class="for"
        ><template v-if="s.method === 'patch'">stays for years</template
        ><template v-else><span class="tag">clear </span>{{ dated(s.clear, s.date) }}</template></span
      >
      <span v-if="chance !== undefined" class="for" :class="{ warn: chance < 0.8 }" data-chance
        >ready before frost {{ years(chance) }}</span
      >
    </div>
    <div class="n gives">
      <template v-if="s.form">
        <Figure :value="s.likely" :unit="s.unit" :figure="base + '/likely'" label="gives" />
        <span class="for">{{ range(s.low, s.high, s.unit) }}</span>
      </template>
    </div>
    <div class="feeds"><Ribbon v-if="s.feeds.length" :source="sources" :label="s.crop_name" /></div>
    <SowingPanel v-if="why" :sowing="s" class="more" />
  </div>
</template>

<style scoped>
.line {
  content-visibility: auto; /* what lies below the fold is laid out when it is scrolled to */
  contain-intrinsic-size: auto 67px;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
  align-items: start;
}
.line:hover {
  background: color-mix(in srgb, var(--wash) 45%, transparent);
}
.date {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  font-weight: 600;
  white-space: nowrap;
}
.held {
  display: block;
  font-family: var(--sans);
  font-size: var(--type-tiny);
  font-weight: 400;
  color: var(--ink-2);
}
.late {
  display: block;
  font-family: var(--sans);
  font-size: var(--type-tiny);
  font-weight: 400;
}
.name {
  font-family: var(--serif);
  font-weight: 600;
  line-height: 1.2;
  display: block;
}
.crop {
  min-width: 0;
}
.crop .for {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.for {
  display: block;
  font-size: var(--type-small);
  color: var(--ink-2);
  font-weight: 400;
  min-height: 1em;
}
.n {
  text-align: right;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  white-space: nowrap;
}
.n .for {
  font-family: var(--serif);
}
.strong {
  font-weight: 650;
  font-size: var(--type-large);
}
.unit {
  font-family: var(--sans);
  font-size: 0.8em;
  color: var(--ink-2);
}
.dates {
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  white-space: nowrap;
}
.dates .for {
  font-family: var(--serif);
}
.ground {
  display: grid;
  grid-template-columns: 3.4rem 1fr 1.15fr;
  column-gap: var(--space-4);
  align-items: baseline;
}
.spacing {
  grid-column: 1 / -1;
  text-align: right;
  white-space: nowrap;
}
.more {
  grid-column: 2 / -1;
}
.because {
  border-bottom: 1px dotted var(--hair-2);
  font-weight: 600;
}
@container leaf (max-width: 620px) {
  .date {
    grid-row: 1 / 4;
    font-size: var(--type-large);
  }
  .date .because {
    min-height: 2.2rem;
  }
  .crop,
  .sow,
  .more {
    grid-column: 2 / -1;
  }
  .ground {
    grid-column: 2 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-6);
  }
  .ground .n {
    text-align: left;
  }
  .ground .tag {
    margin-left: var(--space-3);
  }
  .spacing {
    text-align: left;
    white-space: normal;
  }
  .dates {
    grid-column: 2;
  }
  .dates.picked {
    grid-column: 3;
  }
  .gives {
    display: none;
  }
}
</style>
