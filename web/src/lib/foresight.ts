// What a change would come to, asked of the binary before the change is made.
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type Change } from './api'
import { useAnswer } from './ask'

export function useForesight() {
  const change = shallowRef<Change>()
  const wrong = ref('')
  const asked = useAnswer(
    'foresight',
    () => change.value,
    (body, signal) => api.POST('/foresight', { body, signal }),
    (was, now) => was === now,
  )
  // A change that cannot be is let go, and why it cannot be stands in its place.
  watch(asked.wrong, (why) => {
    if (!why) return
    wrong.value = why
    change.value = undefined
  })

  /** Asks what a change would come to; the answer of the last one asked stands. */
  function propose(to: Change) {
    wrong.value = ''
    change.value = to
  }
  function drop() {
    wrong.value = ''
    change.value = undefined
  }
  return { change, found: computed(() => (change.value ? asked.data.value : undefined)), wrong, propose, drop }
}
