// A wish typed as one line, understood by the binary as it is typed.
import { watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { answer, api, Refused, type Reading } from './api'
import { answers } from './ask'
import { useHousehold } from './household'

export function useLine(climate?: () => string) {
  const text = ref('')
  const readings = ref<Reading[]>([])
  const chosen = ref(0)
  const wrong = ref('')
  const store = useHousehold()
  let asked = 0
  let understood = ''

  async function understand(): Promise<void> {
    const line = text.value
    const mine = ++asked
    if (line.trim() === '') {
      readings.value = []
      wrong.value = ''
      understood = ''
      return
    }
    try {
      const body = { text: line, ...(climate ? { climate: climate() } : {}) }
      const found = await answers.fetchQuery({
        queryKey: ['lines', body, store.state?.revision, store.plan?.as_of],
        queryFn: ({ signal }) => answer(() => api.POST('/lines', { body, signal })),
      })
      if (mine !== asked) return // a later key was faster
      readings.value = found
      wrong.value = ''
      chosen.value = 0
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine !== asked) return
      readings.value = []
      wrong.value = e.problem.fields?.[0]?.allowed ?? e.problem.detail
    }
    understood = line
  }

  watchDebounced(text, () => understood !== text.value && understand(), { debounce: 120 })

  /** The reading to accept; waits until the line as it stands is understood. */
  async function accept(): Promise<Reading | undefined> {
    if (understood !== text.value || text.value.trim() === '') {
      await understand()
      if (readings.value.length > 1) return undefined // shown first, never guessed
      if (text.value.trim() === '') wrong.value = 'Type how much of what, such as “35 qt tomato sauce”.'
    }
    return readings.value[chosen.value]
  }

  function clear() {
    asked++
    text.value = ''
    readings.value = []
    wrong.value = ''
    understood = ''
  }

  return { text, readings, chosen, wrong, accept, clear }
}
