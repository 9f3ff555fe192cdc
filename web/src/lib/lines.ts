// A wish typed as one line, understood by the binary as it is typed.
import { ref, watch } from 'vue'
import { answer, api, Refused, type Reading } from './api'

export function useLine(climate?: () => string) {
  const text = ref('')
  const readings = ref<Reading[]>([])
  const chosen = ref(0)
  const wrong = ref('')
  let timer = 0
  let asked = 0
  let understood = ''

  async function understand(): Promise<void> {
    window.clearTimeout(timer)
    const line = text.value
    const mine = ++asked
    if (line.trim() === '') {
      readings.value = []
      wrong.value = ''
      understood = ''
      return
    }
    try {
      const found = await answer(() =>
        api.POST('/lines', { body: { text: line, ...(climate ? { climate: climate() } : {}) } }),
      )
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

  watch(text, () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(understand, 120)
  })

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
