// What was picked of the plantings, and what is still to come: asked once by the page that lists
// them.
import { computed, inject, provide, type InjectionKey } from 'vue'
import { api, type Outlook } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'
import { useUnits } from './units'

type OutlookOf = (sowing: string) => Outlook | undefined

const key: InjectionKey<OutlookOf> = Symbol('outlooks')

/** Asks for the outlooks, for the lines below. */
export function provideOutlooks() {
  const store = useHousehold()
  const { data } = useAnswer(
    'outlooks',
    () => !!store.plan || undefined,
    (_, signal) => api.GET('/outlooks', { signal }),
  )
  const all = computed(() => new Map((data.value ?? []).map((o) => [o.sowing, o])))
  provide(key, (sowing) => all.value.get(sowing))
}

/** Says the outlook of a sowing in words; nothing where nothing was picked of it. */
export function useOutlook(): (sowing: string) => string {
  const of = inject(key, () => undefined, false)
  const { say } = useUnits()
  return (sowing) => {
    const o = of(sowing)
    if (!o) return ''
    const round = (kg: number) => say(kg >= 10 ? Math.round(kg) : kg, 'kg') // no finer than the forecast is
    const picked = `${say(o.picked, 'kg')} picked of ${round(o.expected)} expected`
    if (o.nearly_over) return `${picked}; nearly over`
    if (o.high - o.low < 0.005) return `${picked}; about ${round(o.likely)} to come`
    return `${picked}; about ${round(o.likely)} to come, ${round(o.low)} to ${round(o.high)} in 8 years of 10`
  }
}
