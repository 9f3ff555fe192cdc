// A wish typed as one line, understood by the binary as it is typed.
import { watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { answer, api, Refused, type LineChoice, type Reading } from './api'
import { answers } from './ask'
import { useHousehold } from './household'
import { useUnits } from './units'

export function useLine(climate?: () => string) {
  const text = ref('')
  const readings = ref<Reading[]>([])
  const chosen = ref(0)
  const wrong = ref('')
  /** Whole lines to choose from, where only a food was typed. */
  const choices = ref<LineChoice[]>([])
  const { system } = useUnits()
  const store = useHousehold()
  let asked = 0
  let understood = ''

  async function understand(): Promise<void> {
    const line = text.value
    const mine = ++asked
    if (line.trim() === '') {
      readings.value = []
      choices.value = []
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
      choices.value = []
      wrong.value = ''
      chosen.value = 0
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine !== asked) return
      readings.value = []
      wrong.value = e.problem.fields?.[0]?.allowed ?? e.problem.detail
      const body = { text: line, pounds: system.value === 'us', ...(climate ? { climate: climate() } : {}) }
      const offered = await answer(() => api.POST('/line-choices', { body })).catch((e: unknown) => {
        if (!(e instanceof Refused)) throw e
        return [] // without choices the refusal of the line itself stands
      })
      if (mine === asked) choices.value = offered
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
    choices.value = []
    wrong.value = ''
    understood = ''
  }

  return { text, readings, choices, chosen, wrong, accept, clear }
}
