// Lessons of earlier days: each is shown beside the first thing to do that it is about. Asked once by
// the page that lists the work.
import { computed, inject, provide, type InjectionKey } from 'vue'
import { api, type ToldEntry } from './api'
import { useAnswer } from './ask'
import type { Line } from './daybook'
import { useGround } from './ground'
import { useHousehold } from './household'

type LessonsOf = (line: string) => ToldEntry[]

const key: InjectionKey<LessonsOf> = Symbol('lessons')

/** What begins in a bed: then one wants to know what was learnt of the bed. */
const begins = new Set(['sow', 'plant-out'])

/** Asks for the lessons, and finds the first of the lines that each is about. */
export function provideLessons(lines: () => Line[]) {
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
  const about = (e: ToldEntry, line: Line) => {
    if (e.crop && !line.parts.some((p) => p.sowing.crop === e.crop)) return false
    if (e.food && !line.parts.some((p) => foods.value.get(p.sowing.crop) === e.food)) return false
    if (!e.bed) return !!e.food
    if (!e.food && !begins.has(line.what)) return false
    const ids = new Set(line.parts.map((p) => p.sowing.id))
    return (ground.layout?.pieces ?? []).some((p) => p.bed === e.bed && ids.has(p.planting))
  }
  const first = computed(() => {
    const out = new Map<string, ToldEntry[]>()
    for (const e of data.value?.entries ?? []) {
      const line = lines().find((l) => about(e, l))
      if (line) out.set(line.key, [...(out.get(line.key) ?? []), e])
    }
    return out
  })
  provide(key, (line) => first.value.get(line) ?? [])
}

/** The lessons to be shown beside a line. */
export const useLessons = (): LessonsOf => inject(key, () => () => [], true)
