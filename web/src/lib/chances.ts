// The chances of the sowings to be ready before the first autumn frost: asked once for all of them,
// by the place that lists them, and only while it is open.
import { computed, inject, provide, type InjectionKey } from 'vue'
import { api } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'

/** The chance of a sowing, from 0 to 1; nothing where frost does not end it. */
type ChanceOf = (sowing: string) => number | undefined

const key: InjectionKey<ChanceOf> = Symbol('chances')

/** Asks for the chances, for the lines below. */
export function provideChances() {
  const store = useHousehold()
  const { data } = useAnswer(
    'frost-chances',
    () => !!store.plan || undefined,
    (_, signal) => api.GET('/frost-chances', { signal }),
  )
  const chances = computed(() => data.value?.chances ?? {})
  provide(key, (sowing) => chances.value[sowing])
}

/** The chances that the place has asked for. */
export const useChances = (): ChanceOf => inject(key, () => undefined, false)
