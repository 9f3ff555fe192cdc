<script setup lang="ts">
// All that can be said of a wish, by controls, with what each use comes to.
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import type { PlanWish, Problem, Wish } from '../../lib/api'
import { fieldError, otherErrors, useHousehold } from '../../lib/household'
import { useUnits } from '../../lib/units'
import { formKept } from '../../lib/facts'
import { capital, count, coverWords, day, monthNames } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import DayField from '../../parts/DayField.vue'
import WaysList from '../../parts/WaysList.vue'
import FormsField from './FormsField.vue'
import StoryField from './StoryField.vue'
import { useWishDraft } from './wishdraft'

const props = defineProps<{ wish: Wish; plan?: PlanWish; isNew?: boolean }>()
const emit = defineEmits<{ close: []; added: []; move: [step: number]; remove: [] }>()
const store = useHousehold()
const { entry, shown, say } = useUnits()
const {
  draft,
  numberWrong,
  foods,
  kinds,
  preparations,
  putUp,
  unweighed,
  weekly,
  unit,
  fitting,
  possible,
  made,
  kept,
  onePiece,
  usualPiece,
  usualPortion,
  amountKinds,
  jars,
  whoms,
  toWish,
} = useWishDraft(props)
const problem = ref<Problem>()

async function save() {
  problem.value = undefined
  const wish = toWish()
  if (!wish) return
  problem.value = await store.edit({ command: props.isNew ? 'add-wish' : 'change-wish', wish })
  if (problem.value) return
  if (props.isNew) emit('added')
  emit('close')
}

const told = [
  'food',
  'kind',
  'amount',
  'forms',
  'preparations',
  'piece',
  'cover',
  'story',
  'season',
  'for',
  'left',
  'stagger',
  'confidence',
  'note',
]
const at = (...fields: string[]) => numberWrong.value[fields[0] ?? ''] || fieldError(problem.value, ...fields)
</script>

<template>
  <form
    class="editor no-print"
    :aria-label="isNew ? 'A new wish' : 'Edit ' + (plan?.title ?? '')"
    @submit.prevent="save"
    @keydown.esc="emit('close')"
  >
    <div class="grid">
      <label class="field">
        <span>Food</span>
        <ElSelect v-model="draft.food" filterable default-first-option aria-label="Food" placeholder="type to find">
          <ElOption v-for="f in foods" :key="f.name" :value="f.name" :label="f.name" />
        </ElSelect>
        <span v-if="at('food')" class="wrong" role="alert">{{ at('food') }}</span>
      </label>
      <label class="field">
        <span>Kind</span>
        <ElSelect v-model="draft.kind" aria-label="Kind" :empty-values="[null, undefined]">
          <ElOption value="" label="what suits each use" />
          <ElOption v-for="k in kinds" :key="k.id" :value="k.id" :label="k.name" />
        </ElSelect>
        <span v-if="at('kind')" class="wrong" role="alert">{{ at('kind') }}</span>
      </label>
      <label class="field narrow">
        <span>How much</span>
        <ElInput v-model="draft.number" class="number" inputmode="decimal" aria-label="How much" />
        <span v-if="at('amount.number')" class="wrong" role="alert">{{ at('amount.number') }}</span>
      </label>
      <label class="field">
        <span>of what</span>
        <ElSelect v-model="draft.amountKind" aria-label="Counted in">
          <ElOption v-for="k in amountKinds" :key="k.value" :value="k.value" :label="k.label" />
        </ElSelect>
        <span v-if="at('amount.kind')" class="wrong" role="alert">{{ at('amount.kind') }}</span>
      </label>
      <label v-if="draft.amountKind === 'meals'" class="field narrow">
        <span>A portion, {{ shown('g').unit }}</span>
        <ElInput
          v-model="draft.portion"
          class="number"
          inputmode="decimal"
          aria-label="A portion"
          :placeholder="usualPortion ? 'usual ' + entry(usualPortion, 'g') : ''"
        />
        <span v-if="at('amount.portion')" class="wrong" role="alert">{{ at('amount.portion') }}</span>
      </label>
      <label v-if="draft.amountKind === 'jars'" class="field">
        <span>Jar</span>
        <ElSelect v-model="draft.jar" aria-label="Jar">
          <ElOption v-for="j in jars" :key="j.value" :value="j.value" :label="j.label" />
        </ElSelect>
        <span v-if="at('amount.jar')" class="wrong" role="alert">{{ at('amount.jar') }}</span>
      </label>

      <div v-if="!unweighed && !putUp" class="field whole">
        <span>Eaten</span>
        <FormsField
          v-model:forms="draft.forms"
          v-model:preparations="draft.preparations"
          :possible="possible"
          :options="preparations"
        />
        <span v-if="at('forms', 'preparations')" class="wrong" role="alert">{{ at('forms', 'preparations') }}</span>
      </div>
      <label v-if="putUp" class="field wide">
        <span>Put up as</span>
        <ElSelect v-model="made" aria-label="Put up as" placeholder="choose">
          <ElOption v-for="p in fitting" :key="p.id" :value="p.id" :label="p.name" />
        </ElSelect>
        <span v-if="at('preparations', 'forms')" class="wrong" role="alert">{{ at('preparations', 'forms') }}</span>
      </label>
      <label v-if="!unweighed && !putUp" class="field">
        <span>When</span>
        <ElSelect v-model="draft.seasonKind" aria-label="When">
          <ElOption value="all-year" label="all year" />
          <ElOption value="months" label="in some months" />
          <ElOption value="while" label="while it lasts, fresh" />
        </ElSelect>
      </label>
      <div v-if="!unweighed && !putUp && draft.seasonKind === 'months'" class="field">
        <span>from and to, both included</span>
        <div class="pair">
          <ElSelect v-model="draft.from" aria-label="From month"
            ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
          /></ElSelect>
          <ElSelect v-model="draft.to" aria-label="To month"
            ><ElOption v-for="(m, i) in monthNames" :key="m" :value="i + 1" :label="m"
          /></ElSelect>
        </div>
        <div v-for="(s, i) in draft.also" :key="i" class="pair again">
          <ElSelect v-model="s.from" aria-label="And from month"
            ><ElOption v-for="(m, k) in monthNames" :key="m" :value="k + 1" :label="m"
          /></ElSelect>
          <ElSelect v-model="s.to" aria-label="And to month"
            ><ElOption v-for="(m, k) in monthNames" :key="m" :value="k + 1" :label="m"
          /></ElSelect>
        </div>
        <span class="small">
          <button v-if="draft.also.length < 3" type="button" class="link" @click="draft.also.push({ from: 9, to: 11 })">
            and again</button
          ><template v-if="draft.also.length">
            · <button type="button" class="link" @click="draft.also.pop()">once less</button></template
          >
        </span>
        <span v-if="at('season')" class="wrong" role="alert">{{ at('season') }}</span>
      </div>
      <label class="field">
        <span>For whom</span>
        <ElSelect v-model="draft.whom" aria-label="For whom" :empty-values="[null, undefined]">
          <ElOption v-for="o in whoms" :key="o.value" :value="o.value" :label="o.label" />
        </ElSelect>
        <span v-if="at('for')" class="wrong" role="alert">{{ at('for') }}</span>
      </label>
      <label v-if="draft.whom === 'people'" class="field narrow">
        <span>How many eat of it</span>
        <ElInput v-model="draft.people" class="number" inputmode="numeric" aria-label="How many eat of it" />
        <span v-if="at('for.people')" class="wrong" role="alert">{{ at('for.people') }}</span>
      </label>
      <label class="field">
        <span>Priority</span>
        <ElSelect v-model="draft.priority" aria-label="Priority">
          <ElOption value="must" label="must" />
          <ElOption value="want" label="want" />
          <ElOption value="nice" label="nice to have" />
        </ElSelect>
      </label>
      <label v-if="!unweighed" class="field">
        <span>Met</span>
        <ElSelect v-model="draft.confidence" aria-label="How surely it is met">
          <ElOption value="usual" label="as usual for its use" />
          <ElOption value="0" label="in a typical year" />
          <ElOption
            v-for="c in ['0.7', '0.8', '0.9', '0.95']"
            :key="c"
            :value="c"
            :label="`in ${Math.round(Number(c) * 100)} of 100 years`"
          />
        </ElSelect>
      </label>
      <label v-if="!weekly && !unweighed" class="field narrow">
        <span>Still left by then</span>
        <ElInput
          v-model="draft.left"
          class="number"
          inputmode="decimal"
          :placeholder="plan?.on_shelf ? 'by the shelf' : '0'"
          aria-label="Still left by then"
        >
          <template v-if="unit" #suffix>{{ shown(unit).unit }}</template>
        </ElInput>
        <span v-if="at('left')" class="wrong" role="alert">{{ at('left') }}</span>
      </label>
      <label v-if="(unweighed || draft.forms.includes('fresh')) && !putUp" class="field">
        <span>Sown</span>
        <ElSelect v-model="draft.stagger" aria-label="Sown">
          <ElOption value="need" :label="unweighed ? 'all at once' : 'as the table needs it'" />
          <ElOption value="every" label="every so many days" />
          <ElOption value="times" label="so many times" />
          <ElOption v-if="!unweighed" value="once" label="all at once" />
        </ElSelect>
      </label>
      <label
        v-if="(unweighed || draft.forms.includes('fresh')) && !putUp && ['every', 'times'].includes(draft.stagger)"
        class="field narrow"
      >
        <span>Days between</span>
        <ElInput
          v-model="draft.days"
          class="number"
          inputmode="numeric"
          aria-label="Days between"
          :placeholder="draft.stagger === 'times' ? 'spread evenly' : ''"
        />
        <span v-if="at('stagger.days')" class="wrong" role="alert">{{ at('stagger.days') }}</span>
      </label>
      <div v-if="!unweighed && draft.forms.includes('fresh') && !putUp && draft.stagger === 'need'" class="field wide">
        <span>An early row</span>
        <ElCheckbox v-model="draft.early" data-early>risk one cheap row two weeks early</ElCheckbox>
      </div>
      <label v-if="(!unweighed && kept) || draft.stagger === 'times'" class="field narrow">
        <span>{{ draft.stagger === 'times' ? 'Sowings' : 'Sowings of what is kept' }}</span>
        <ElInput
          v-model="draft.sowings"
          class="number"
          inputmode="numeric"
          :placeholder="draft.stagger === 'times' ? '' : 'as the kitchen can'"
          aria-label="Sowings of what is kept"
        />
        <span v-if="at('stagger.sowings')" class="wrong" role="alert">{{ at('stagger.sowings') }}</span>
      </label>
      <label class="field">
        <span>In the bed</span>
        <ElSelect v-model="draft.layout" aria-label="In the bed" :empty-values="[null, undefined]">
          <ElOption value="" label="as usual" />
          <ElOption value="rows" label="rows along the bed" />
          <ElOption value="across" label="rows across the bed" />
          <ElOption value="block" label="a block, evenly spaced" />
          <ElOption value="plot" label="rows in open ground" />
        </ElSelect>
      </label>
      <label class="field">
        <span>Cover over it</span>
        <ElSelect v-model="draft.cover" aria-label="Cover" :empty-values="[null, undefined]">
          <ElOption v-for="(words, c) in coverWords" :key="c" :value="c" :label="words" />
        </ElSelect>
        <span v-if="at('cover')" class="wrong" role="alert">{{ at('cover') }}</span>
      </label>
      <label v-if="draft.cover" class="field">
        <span>The cover lies</span>
        <ElSelect v-model="draft.lies" aria-label="When the cover lies" :empty-values="[null, undefined]">
          <ElOption value="" :label="draft.cover === 'net' ? 'all the time' : 'while it helps'" />
          <ElOption value="until picking" label="until the picking begins" />
          <ElOption value="from picking" label="from the first picking on" />
          <ElOption value="days" label="from a day to a day" />
        </ElSelect>
      </label>
      <div v-if="draft.cover && draft.lies === 'days'" class="field wide">
        <span>from and to, both included</span>
        <div class="pair">
          <DayField v-model="draft.coverFrom" label="The cover lies from" />
          <DayField v-model="draft.coverTo" label="The cover lies to" />
        </div>
      </div>
      <label v-if="onePiece && !unweighed" class="field narrow">
        <span>Wanted size, {{ shown('g').unit }} each</span>
        <ElInput
          v-model="draft.piece"
          class="number"
          inputmode="decimal"
          aria-label="Wanted size of one"
          :placeholder="usualPiece ? 'usual ' + entry(usualPiece, 'g') : ''"
        />
        <span v-if="at('piece')" class="wrong" role="alert">{{ at('piece') }}</span>
      </label>
      <StoryField v-if="!weekly && !unweighed" :draft="draft" :unit="unit" :at="at" />
      <label class="field wide">
        <span>Note</span>
        <ElInput v-model="draft.note" aria-label="Note" maxlength="500" />
        <span v-if="at('note')" class="wrong" role="alert">{{ at('note') }}</span>
      </label>
    </div>

    <ul v-if="plan && plan.uses.some((u) => u.plants || u.area)" class="uses small">
      <li v-for="u in plan.uses.filter((x) => x.plants || x.area)" :key="u.figure">
        <strong>{{ u.form ? capital(u.part ? 'also' : formKept(u.form)) : 'Stands' }}: {{ u.crop_name }}</strong
        >, {{ u.why }}.
        <template v-if="u.form && !u.part">Feeds {{ count(u.weeks, 'week') }}. </template>
        <template v-if="u.kept">
          {{ u.store ? 'Into the ' + u.store.toLowerCase() : u.form === 'cellar' ? 'Stored' : 'Put up' }} about
          {{ day(u.kept) }}, keeps {{ count(u.life ?? 0, 'week') }}.</template
        >
        <template v-if="u.left_unit && u.left">
          Of today's shelf {{ say(u.left, u.left_unit) }} will be left by then, and need not be grown.</template
        >
        <span v-if="u.short" class="warn"> {{ capital(u.short) }}.</span>
      </li>
    </ul>

    <p v-if="plan && plan.batches > 0" class="small put-up">
      To put up:
      <template v-if="plan.to_fill">{{ count(plan.to_fill, 'jar') }} with as many lids, </template>
      <Figure :value="plan.batches" unit="batches" />,
      <Figure :value="plan.hours" unit="hours" :figure="`wish/${plan.id}/hours`" label="hours of putting up" /> hands
      on<template v-if="plan.frozen">, {{ say(plan.frozen, 'L') }} into the freezer</template>.
    </p>
    <WaysList v-if="plan && plan.source.includes('gap')" :key="wish.id" class="ways" :wish="wish.id" />

    <p v-if="otherErrors(problem, ...told)" class="wrong" role="alert">{{ otherErrors(problem, ...told) }}</p>
    <div class="buttons">
      <ElButton native-type="submit" type="primary">{{ isNew ? 'Add the wish' : 'Save' }}</ElButton>
      <ElButton @click="emit('close')">Leave as it was</ElButton>
      <template v-if="!isNew">
        <span class="spring"></span>
        <button type="button" class="link small" @click="emit('move', -1)">Move up</button>
        <button type="button" class="link small" @click="emit('move', 1)">Move down</button>
        <button type="button" class="link small warn" @click="emit('remove')">Remove</button>
      </template>
    </div>
  </form>
</template>

<style scoped>
.editor {
  background: var(--sheet);
  border-bottom: 1px solid var(--ink-2);
  border-left: 3px solid var(--accent);
  padding: 0.7rem 1rem 0.8rem;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
  gap: 0.7rem 1.2rem;
  align-items: start;
}
.wide {
  grid-column: span 2;
}
.whole {
  grid-column: 1 / -1;
}
.put-up {
  margin-top: 0.3rem;
}
.ways {
  margin-top: 0.8rem;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}
.again {
  margin-top: 0.3rem;
}
.uses {
  margin: 0.8rem 0 0;
  padding: 0;
  list-style: none;
  color: var(--ink-2);
}
.uses strong {
  color: var(--ink);
  font-weight: 600;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  margin-top: 0.9rem;
  align-items: center;
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
.spring {
  flex: 1;
}
@container leaf (max-width: 620px) {
  .grid {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
