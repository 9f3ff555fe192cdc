// How the household keeps its ground, and one change of it at a time.
import { computed } from 'vue'
import type { Customs, Problem } from './api'
import { useHousehold } from './household'

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
  return { customs, change }
}
