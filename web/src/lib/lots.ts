// What stands on the shelf, in words, and how fast it is really drawn on.
import { computed, inject, provide, type InjectionKey } from 'vue'
import { api, type Lot } from './api'
import { useAnswer } from './ask'
import { formChoice } from './facts'
import { useHousehold } from './household'
import { useUnits } from './units'
import { capital, fullDay } from './words'

/** Says what a lot is. */
export function useLotName(): (l: Lot) => string {
  const store = useHousehold()
  return (l) => {
    const p = store.reference?.preparations.find((x) => x.id === l.preparation)
    if (l.form === 'cellar') return capital(l.food)
    return p ? p.name : `${capital(l.food)}, ${formChoice(l.form)}`
  }
}

/** An amount of a lot as an entry holds it. */
export const measured = (l: Lot, n: number) => (l.unit === 'kg' ? { gram: Math.round(n * 1000) } : { jars: n })

type RateOf = (l: Lot) => { drawn: string; unrecorded: string }
const key: InjectionKey<RateOf> = Symbol('rates')

/** Asks how fast the lots are drawn on, for the rows below. */
export function provideRates() {
  const store = useHousehold()
  const { say } = useUnits()
  const { data } = useAnswer(
    'shelf-rates',
    () => !!store.plan || undefined,
    (_, signal) => api.GET('/shelf-rates', { signal }),
  )
  const all = computed(() => new Map((data.value ?? []).map((r) => [r.lot, r])))
  provide(key, (l) => {
    const r = all.value.get(l.id)
    if (!r) return { drawn: '', unrecorded: '' }
    const much = (n: number) => (l.unit === 'kg' ? say(n, 'kg') : String(Math.round(n * 10) / 10))
    const until = r.runs_out ? `by ${fullDay(r.runs_out)}` : 'beyond two years'
    return {
      drawn: r.per_week ? `used ${much(r.per_week)} a week: ${until}` : '',
      unrecorded:
        r.unrecorded > 0
          ? `${much(r.unrecorded)} used without a record`
          : r.unrecorded < 0
            ? `${much(-r.unrecorded)} more than recorded`
            : '',
    }
  })
}

export const useRate = (): RateOf => inject(key, () => () => ({ drawn: '', unrecorded: '' }), true)
