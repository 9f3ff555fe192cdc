<script setup lang="ts">
// All that can be said of a wish, by controls, with what each use comes to.
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import type { PlanWish, Problem, Wish } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { otherErrors } from '../../lib/problems'
import { useUnits } from '../../lib/units'
import Remedies from '../../parts/Remedies.vue'
import WhatIs from '../../parts/WhatIs.vue'
import FormsField from './FormsField.vue'
import StoryField from './StoryField.vue'
import WishAmount from './WishAmount.vue'
import WishBed from './WishBed.vue'
import WishSeason from './WishSeason.vue'
import WishSowings from './WishSowings.vue'
import WishUses from './WishUses.vue'
import { useWishDraft } from './wishdraft'

const props = defineProps<{ wish: Wish; plan?: PlanWish; isNew?: boolean }>()
const emit = defineEmits<{ close: []; added: []; move: [step: number]; remove: [] }>()
const store = useHousehold()
const { entry, shown } = useUnits()
const problem = ref<Problem>()
const {
  draft,
  preparations,
  putUp,
  unweighed,
  weekly,
  unit,
  fitting,
  possible,
  made,
  onePiece,
  usualPiece,
  whoms,
  toWish,
  at,
} = useWishDraft(props, problem)

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
</script>

<template>
  <form
    class="editor no-print"
    :aria-label="isNew ? 'A new wish' : 'Edit ' + (plan?.title ?? '')"
    @submit.prevent="save"
    @keydown.esc="emit('close')"
  >
    <div class="sentence"><WishAmount /><WishSeason v-if="!unweighed && !putUp" /></div>
    <div v-if="!putUp" class="sentence">
      <span>It is eaten</span>
      <FormsField
        v-model:forms="draft.forms"
        v-model:preparations="draft.preparations"
        :possible="possible"
        :options="preparations"
        :single="unweighed"
      />
      <span v-if="at('forms', 'preparations')" class="wrong" role="alert">{{ at('forms', 'preparations') }}</span>
    </div>
    <div v-else class="sentence">
      <label class="field">
        <span>Make it into</span>
        <ElSelect v-model="made" class="much" aria-label="Make it into" placeholder="choose">
          <ElOption v-for="p in fitting" :key="p.id" :value="p.id" :label="p.name" />
        </ElSelect>
        <span v-if="at('preparations', 'forms')" class="wrong" role="alert">{{ at('preparations', 'forms') }}</span>
      </label>
    </div>
    <div class="sentence">
      <label class="field">
        <span>It is for</span>
        <ElSelect v-model="draft.whom" class="some" aria-label="For whom" :empty-values="[null, undefined]">
          <ElOption v-for="o in whoms" :key="o.value" :value="o.value" :label="o.label" />
        </ElSelect>
        <span v-if="at('for')" class="wrong" role="alert">{{ at('for') }}</span>
      </label>
      <label v-if="draft.whom === 'people'" class="field">
        <ElInput v-model="draft.people" class="number few" inputmode="numeric" aria-label="How many eat of it" />
        <span>people</span>
        <span v-if="at('for.people')" class="wrong" role="alert">{{ at('for.people') }}</span>
      </label>
      <label class="field">
        <span>we</span>
        <ElSelect v-model="draft.priority" class="some" aria-label="Priority">
          <ElOption value="must" label="must have it" />
          <ElOption value="want" label="would like it" />
          <ElOption value="nice" label="find it nice to have" />
        </ElSelect>
      </label>
      <label v-if="!unweighed" class="field">
        <span>enough of it</span>
        <ElSelect v-model="draft.confidence" class="much" aria-label="Enough in how many years of 10?">
          <ElOption value="usual" label="as surely as all wishes" />
          <ElOption value="0" label="in 5 years of 10" />
          <ElOption
            v-for="c in ['0.7', '0.8', '0.9', '0.95']"
            :key="c"
            :value="c"
            :label="`in ${Math.round(Number(c) * 100) / 10} years of 10`"
          />
        </ElSelect>
        <WhatIs of="Enough in 8 years of 10" />
      </label>
    </div>
    <div v-if="!weekly && !unweighed" class="sentence">
      <label class="field">
        <span>At the next harvest</span>
        <ElInput
          v-model="draft.left"
          class="number some"
          inputmode="decimal"
          :placeholder="plan?.on_shelf ? 'from Shelves' : '0'"
          aria-label="Still on the shelf at the next harvest"
        >
          <template v-if="unit" #suffix>{{ shown(unit).unit }}</template>
        </ElInput>
        <span>will still be on the shelf.</span>
        <span v-if="at('left')" class="wrong" role="alert">{{ at('left') }}</span>
      </label>
    </div>
    <div class="sentence">
      <WishSowings />
    </div>
    <div class="sentence">
      <WishBed />
      <label v-if="onePiece && !unweighed" class="field">
        <span>and one weighs</span>
        <ElInput
          v-model="draft.piece"
          class="number some"
          inputmode="decimal"
          aria-label="Size of one"
          :placeholder="usualPiece ? 'usual ' + entry(usualPiece, 'g') : ''"
          ><template #suffix>{{ shown('g').unit }}</template></ElInput
        >
        <span v-if="at('piece')" class="wrong" role="alert">{{ at('piece') }}</span>
      </label>
    </div>
    <StoryField v-if="!weekly && !unweighed" :draft="draft" :unit="unit" :at="at" />
    <div class="sentence">
      <label class="field note">
        <span>Note</span>
        <ElInput v-model="draft.note" aria-label="Note" maxlength="500" />
        <span v-if="at('note')" class="wrong" role="alert">{{ at('note') }}</span>
      </label>
    </div>

    <WishUses v-if="plan" :plan="plan" />

    <Remedies
      v-if="plan && plan.source.includes('gap')"
      :key="wish.id"
      class="ways"
      :of="{ wish: wish.id }"
      heading="How to fill this gap"
    />

    <p v-if="otherErrors(problem, ...told)" class="wrong" role="alert">{{ otherErrors(problem, ...told) }}</p>
    <div class="buttons">
      <ElButton native-type="submit" type="primary">{{ isNew ? 'Add' : 'Save' }}</ElButton>
      <ElButton @click="emit('close')">Cancel</ElButton>
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
  padding: var(--space-5) var(--space-6) var(--space-5);
}
.ways {
  margin-top: var(--space-5);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  margin-top: var(--space-5);
  align-items: center;
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
.spring {
  flex: 1;
}
</style>
