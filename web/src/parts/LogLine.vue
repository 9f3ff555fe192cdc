<script setup lang="ts">
// One line for what happened: what came in and where it went, what was put up or taken from the
// shelf, what was sown, lost or seen. What is understood is shown before Enter takes it.
import { refDebounced } from '@vueuse/core'
import { ElButton, ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../lib/api'
import { useAnswer } from '../lib/ask'
import { useHousehold } from '../lib/household'
import { fieldError } from '../lib/problems'
import { useUnits } from '../lib/units'
import PhotoPick from './PhotoPick.vue'
import PhotoStrip from './PhotoStrip.vue'

defineProps<{ hint?: string }>()
const store = useHousehold()
const { render } = useUnits()
const text = ref('')
const typed = refDebounced(text, 120)
const refused = ref('')
const photos = ref<string[]>([])
const {
  data: meaning,
  problem,
  old,
} = useAnswer(
  'daybook-read',
  () => typed.value.trim() || undefined,
  (line, signal) => api.POST('/daybook-read', { body: { text: line }, signal }),
)
const wrong = computed(() => {
  if (refused.value) return refused.value
  // With a photograph, a line that is no entry is a note.
  const asked = text.value.trim() && typed.value === text.value && !photos.value.length
  const p = asked ? problem.value : undefined
  return p ? fieldError(p, 'line') || p.detail : ''
})

async function take() {
  const line = text.value.trim()
  if (!line && !photos.value.length) return
  const p = await store.record({ text: line, photos: photos.value.length ? photos.value : undefined })
  refused.value = p ? fieldError(p, 'line') || p.detail : ''
  if (p) return
  text.value = ''
  photos.value = []
}
</script>

<template>
  <form class="log-line no-print" @submit.prevent="take">
    <div class="line">
      <ElInput
        v-model="text"
        size="large"
        maxlength="200"
        aria-label="What happened, as one line"
        :placeholder="hint ?? 'What happened? 2.4 kg tomatoes · 3 kg beans, 1 to the neighbour · took 2 jars of sauce'"
        @input="refused = ''"
      />
      <PhotoPick class="photo" @sent="photos.push($event)" @wrong="refused = $event" />
      <ElButton type="primary" native-type="submit" size="large">Enter</ElButton>
    </div>
    <PhotoStrip
      v-if="photos.length"
      class="chosen"
      :ids="photos"
      words="to be entered"
      removable
      @remove="photos = photos.filter((x) => x !== $event)"
    />
    <p class="understood small" aria-live="polite">
      <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
      <template v-else-if="meaning && text.trim() && !problem && typed === text && !old"
        ><span class="quiet">Understood:</span> <strong>{{ meaning.words.map(render).join('; ') }}</strong></template
      >
    </p>
  </form>
</template>

<style scoped>
.line {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.photo {
  min-height: 40px;
}
.chosen {
  margin-top: var(--space-3);
}
.understood {
  min-height: 1.6rem;
  margin: var(--space-2) 0 0;
}
@media (max-width: 640px) {
  .line {
    flex-wrap: wrap;
  }
  .line > .el-input {
    flex-basis: 100%;
  }
  .line > :not(.el-input) {
    flex: 1;
    justify-content: center;
    min-height: 48px;
  }
}
</style>
