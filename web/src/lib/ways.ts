// Ways of mending a gap or a week with too much putting up, reckoned by the binary.
import { ref } from 'vue'
import { answer, api, Refused, type Way } from './api'
import { useHousehold } from './household'

export function useWays(of: () => { wish?: string; week?: number }) {
  const store = useHousehold()
  const ways = ref<Way[]>()
  const wrong = ref('')
  let asked = 0

  async function find() {
    const mine = ++asked
    wrong.value = ''
    try {
      const found = await answer(() => api.GET('/ways', { params: { query: of() } }))
      if (mine === asked) ways.value = found
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine === asked) wrong.value = e.problem.detail
    }
  }

  /** Takes a way: the wish or the rule becomes as it says. */
  async function take(way: Way): Promise<boolean> {
    const p = way.wish
      ? await store.edit({ command: 'change-wish', wish: way.wish })
      : way.overrule
        ? await store.edit({ command: 'overrule', overrule: way.overrule })
        : undefined
    wrong.value = p?.detail ?? ''
    return !p
  }

  return { ways, wrong, find, take }
}
