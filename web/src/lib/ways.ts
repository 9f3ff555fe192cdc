// Ways of mending a gap or a week with too much putting up, reckoned by the binary.
import { ref } from 'vue'
import { api, type Way } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'
import { wordsOf } from './problems'

export function useWays(of: () => { wish?: string; week?: number }) {
  const store = useHousehold()
  const asked = useAnswer('ways', of, (query, signal) => api.GET('/ways', { params: { query }, signal }))
  const refused = ref('')

  /** Takes a way: the wish or the rule becomes as it says. */
  async function take(way: Way): Promise<boolean> {
    const p = way.wish
      ? await store.edit({ command: 'change-wish', wish: way.wish })
      : way.overrule
        ? await store.edit({ command: 'overrule', overrule: way.overrule })
        : undefined
    refused.value = wordsOf(p)
    return !p
  }

  return { ...asked, refused, take }
}
