// What a change would come to, asked of the binary before the change is made.
import { ref } from 'vue'
import { answer, api, Refused, type Change, type Foresight } from './api'
import { wordsOf } from './household'

export function useForesight() {
  const change = ref<Change>()
  const found = ref<Foresight>()
  const wrong = ref('')
  let turn = 0

  /** Asks what a change would come to; the answer of the last one asked stands. */
  async function propose(to: Change): Promise<void> {
    const mine = ++turn
    change.value = to
    found.value = undefined
    wrong.value = ''
    try {
      const got = await answer(() => api.POST('/foresight', { body: to }))
      if (mine === turn) found.value = got
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine !== turn) return
      wrong.value = wordsOf(e.problem)
      change.value = undefined
    }
  }

  function drop() {
    turn++
    change.value = undefined
    found.value = undefined
    wrong.value = ''
  }

  return { change, found, wrong, propose, drop }
}
