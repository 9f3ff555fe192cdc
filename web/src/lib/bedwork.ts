// The work that belongs to beds: their turns between two crops, and their water. Asked once by the
// page that lists the work.
import { computed, inject, provide, type ComputedRef, type InjectionKey } from 'vue'
import { api, type BedTurn, type BedWater } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'

export interface BedWork {
  /** The turns that clear a sowing, one for each bed it stands in. */
  turns: ComputedRef<Map<string, BedTurn[]>>
  water: ComputedRef<BedWater[]>
}

const key: InjectionKey<BedWork> = Symbol('bed work')

export function useBedWork(): BedWork {
  const store = useHousehold()
  const { data } = useAnswer(
    'bed-work',
    () => !!store.household?.beds.length || undefined,
    (_, signal) => api.GET('/bed-work', { signal }),
  )
  const turns = computed(() => {
    const out = new Map<string, BedTurn[]>()
    for (const t of data.value?.turns ?? []) out.set(t.sowing, [...(out.get(t.sowing) ?? []), t])
    return out
  })
  return { turns, water: computed(() => data.value?.water ?? []) }
}

export function provideBedWork(): BedWork {
  const work = useBedWork()
  provide(key, work)
  return work
}

/** The turns of some sowings; none on a page that does not ask for them. */
export function useTurns() {
  const work = inject(key, undefined)
  return (...sowings: string[]): BedTurn[] => sowings.flatMap((id) => work?.turns.value.get(id) ?? [])
}
