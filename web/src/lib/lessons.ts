// Lessons of earlier days: shown beside what they are about whenever it comes up. Asked once by the
// page that lists the work.
import { computed, inject, provide, type InjectionKey } from 'vue'
import { api, type Sowing, type ToldEntry } from './api'
import { useAnswer } from './ask'
import { useGround } from './ground'
import { useHousehold } from './household'

type LessonsOf = (sowings: Sowing[]) => ToldEntry[]

const key: InjectionKey<LessonsOf> = Symbol('lessons')

/** Asks for the lessons, for the lines below. */
export function provideLessons() {
  const store = useHousehold()
  const ground = useGround()
  const { data } = useAnswer(
    'lessons',
    () => (store.plan ? { from: '1950-01-01', to: store.plan.as_of, kind: 'lessons' as const } : undefined),
    (query, signal) => api.GET('/entries', { params: { query }, signal }),
  )
  const foods = computed(
    () => new Map((store.reference?.foods ?? []).flatMap((f) => f.kinds.map((k) => [k.id, f.name] as const))),
  )
  provide(key, (sowings) => {
    const all = data.value?.entries ?? []
    if (!all.length) return []
    const ids = new Set(sowings.map((s) => s.id))
    const crops = new Set(sowings.map((s) => s.crop))
    const of = new Set(sowings.map((s) => foods.value.get(s.crop)))
    const beds = new Set((ground.layout?.pieces ?? []).filter((p) => ids.has(p.planting)).map((p) => p.bed))
    return all.filter(
      (e) => (e.bed ? beds.has(e.bed) : true) && (e.crop ? crops.has(e.crop) : e.food ? of.has(e.food) : !!e.bed),
    )
  })
}

/** The lessons about some sowings: of their food or kind, and of the beds that they lie in. */
export const useLessons = (): LessonsOf => inject(key, () => () => [], true)
