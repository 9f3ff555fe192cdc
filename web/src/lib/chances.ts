// The chances of the sowings to be ready before the first autumn frost: asked once for all of them.
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { api } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'

export const useChances = defineStore('chances', () => {
  const household = useHousehold()
  const { data } = useAnswer(
    'frost-chances',
    () => !!household.plan || undefined,
    (_, signal) => api.GET('/frost-chances', { signal }),
  )
  const chances = computed(() => data.value?.chances ?? {})
  return {
    /** The chance of a sowing, of a hundred years; nothing where frost does not end it. */
    of: (sowing: string): number | undefined => {
      const p = chances.value[sowing]
      return p === undefined ? undefined : Math.round(100 * p)
    },
  }
})
