<script setup lang="ts">
// What was noted and photographed about one thing, along time, and a form for one more note. What is
// marked as a lesson is shown again whenever the thing comes up.
import { ElButton, ElCheckbox, ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../lib/api'
import { useAnswer } from '../lib/ask'
import { useHousehold } from '../lib/household'
import { wordsOf } from '../lib/problems'
import { fullDay } from '../lib/words'
import PhotoPick from './PhotoPick.vue'
import PhotoStrip from './PhotoStrip.vue'

interface About {
  food?: string
  crop?: string
  sowing?: string
  bed?: string
  lot?: string
}
const props = defineProps<{ about: About; name: string; closed?: boolean }>()
const store = useHousehold()
const text = ref('')
const pest = ref('')
const lesson = ref(false)
const photos = ref<string[]>([])
const wrong = ref('')
const writing = ref(!props.closed)

/** Only the narrowest thing is looked for: a sowing's notes are of its food too. */
const looked = computed(() => {
  const { food, sowing, bed, lot } = props.about
  if (sowing) return { sowing }
  if (bed) return { bed }
  if (lot) return { lot }
  return { food }
})
const { data: told } = useAnswer(
  'notes',
  () => ({ from: '1950-01-01', to: store.plan?.as_of ?? '', ...looked.value }),
  (query, signal) => api.GET('/entries', { params: { query }, signal }),
)
/** Notes, and whatever else has a photograph or words of its own. */
const notes = computed(() => (told.value?.entries ?? []).filter((e) => e.note || e.photos?.length))
const canTeach = computed(() => !!props.about.food || !!props.about.bed)

async function keep() {
  const p = await store.record({
    entries: [
      {
        id: '',
        act: 'note',
        day: store.plan?.as_of ?? '',
        ...props.about,
        note: text.value.trim(),
        lesson: lesson.value || undefined,
        pest: (lesson.value && pest.value.trim()) || undefined,
        photos: photos.value.length ? photos.value : undefined,
      },
    ],
  })
  wrong.value = wordsOf(p)
  if (p) return
  text.value = pest.value = ''
  lesson.value = false
  photos.value = []
}
async function remove(id: string) {
  wrong.value = wordsOf(await store.edit({ command: 'remove-entry', target: id }))
}
</script>

<template>
  <div class="notes" :data-notes="name">
    <button v-if="!writing" type="button" class="link small no-print" @click="writing = true">
      {{ notes.length ? 'Write another note' : 'Write a note, or add a photograph' }}
    </button>
    <form v-else class="write no-print" @submit.prevent="keep">
      <ElInput
        v-model="text"
        type="textarea"
        :autosize="{ minRows: 1, maxRows: 6 }"
        maxlength="2000"
        :aria-label="`Note about ${name}`"
        placeholder="What did you see, or learn?"
      />
      <PhotoStrip
        v-if="photos.length"
        :ids="photos"
        :words="name"
        removable
        @remove="photos = photos.filter((x) => x !== $event)"
      />
      <span class="row">
        <PhotoPick @sent="photos.push($event)" @wrong="wrong = $event" />
        <ElCheckbox v-if="canTeach" v-model="lesson">a lesson: show it again when this work comes up</ElCheckbox>
        <ElInput
          v-if="lesson"
          v-model="pest"
          class="pest"
          size="small"
          maxlength="60"
          placeholder="pest, if there is one"
          aria-label="Which pest"
        />
        <ElButton native-type="submit" :disabled="!text.trim() && !photos.length">Save</ElButton>
      </span>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </form>
    <ul v-if="notes.length">
      <li v-for="e in notes" :key="e.id">
        <span class="small quiet"
          >{{ fullDay(e.day) }}{{ e.lesson ? ' · a lesson' : '' }}{{ e.pest ? ' · ' + e.pest : '' }}</span
        >
        <span v-if="e.note" class="text">{{ e.note }}</span>
        <PhotoStrip v-if="e.photos?.length" :ids="e.photos" :words="e.note || name" />
        <button
          type="button"
          class="link small no-print"
          :aria-label="`Remove the note: ${e.note}`"
          @click="remove(e.id)"
        >
          Remove
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.write {
  display: grid;
  gap: var(--space-3);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-5);
  align-items: center;
}
.pest {
  width: 13rem;
}
ul {
  list-style: none;
  margin: var(--space-3) 0 0;
  padding: 0;
}
li {
  display: grid;
  justify-items: start;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--hair);
}
.text {
  font-family: var(--serif);
  white-space: pre-line;
}
</style>
