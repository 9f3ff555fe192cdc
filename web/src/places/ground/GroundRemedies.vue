<script setup lang="ts">
// What would make the shortage of ground less: a better layout of the same plan, which is
// searched for while nothing is edited, and changes to the plan, reckoned when asked for.
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { useRemedies } from '../../lib/remedies'
import { useUnits } from '../../lib/units'
import { capital } from '../../lib/words'
import Remedies from '../../parts/Remedies.vue'

const store = useHousehold()
const ground = useGround()
const { say, render } = useUnits()

// It takes some seconds, so it is asked for. After an edit it is of a plan that is gone.
const wanted = ref(false)
watch(
  () => store.state?.revision,
  () => (wanted.value = false),
)

/** A better layout is searched for once the layout of this revision is there, and not while
 * something else is reckoned. */
const settled = computed(() => !wanted.value && ground.layout?.revision === store.state?.revision)
const { data: better, busy, refused, take } = useRemedies(() => (settled.value ? { layout: true } : undefined))
const offer = computed(() => better.value?.[0])
</script>

<template>
  <div class="ways-out">
    <p v-if="offer" class="offer small" data-offer role="status">
      A longer search has found {{ render(offer.words) }}: room for {{ say(offer.gains, 'm²') }} weeks more.
      <button
        type="button"
        class="link"
        :disabled="busy"
        :aria-label="'Use ' + render(offer.words)"
        @click="take(offer)"
      >
        Use this
      </button>
      <span v-if="refused" class="wrong" role="alert">{{ capital(refused) }}</span>
    </p>
    <p class="fit"><RouterLink to="/ground/fit">Fit my wishes to the beds</RouterLink></p>
    <ElButton v-if="!wanted" size="small" @click="wanted = true">What would help?</ElButton>
    <Remedies
      v-else
      :of="{ ground: true }"
      heading="What would help"
      act="try it"
      :first="8"
      @stopped="wanted = false"
    />
  </div>
</template>

<style scoped>
.fit,
.offer {
  margin: 0 0 var(--space-3);
}
</style>
