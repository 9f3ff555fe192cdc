// How the household keeps its ground, and one change of it at a time.
import { computed, ref } from 'vue'
import type { Customs, Problem } from './api'
import { useHousehold } from './household'
import { wordsOf } from './problems'

export function useCustoms() {
  const store = useHousehold()
  const customs = computed<Customs>(
    () =>
      store.household?.customs ?? {
        bent: [],
        pairs: [],
        materials: [],
        recipe: [],
        barrels: 0,
        roof: 0,
        emitters: store.reference?.customs.emitters ?? 0.3,
        posts: store.reference?.customs.posts ?? 2.5,
      },
  )
  function change(to: Partial<Customs>): Promise<Problem | undefined> {
    return store.edit({ command: 'set-customs', customs: { ...customs.value, ...to } })
  }
  const refused = ref('')
  /** Changes them; tells whether that was taken, and keeps in `refused` why it was not. */
  async function set(to: Partial<Customs>): Promise<boolean> {
    const p = await change(to)
    refused.value = wordsOf(p)
    return !p
  }
  return { customs, change, set, refused }
}

/** A list without the thing of an id. */
export function without<T extends { id: string }>(list: T[], id: string): T[] {
  return list.filter((x) => x.id !== id)
}
