// What would mend a gap of a wish, a week with too much putting up, a shortage of ground, or
// would lay the beds out better, reckoned by the binary.
import { useIntervalFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { api, type Remedy } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'
import { wordsOf } from './problems'

/** One of them is what the remedies are asked for. */
export interface Trouble {
  wish?: string
  week?: number
  ground?: boolean
  layout?: boolean
}

/** How often it is asked how far a long search has come, ms. */
const often = 400

export function useRemedies(of: () => Trouble | undefined) {
  const store = useHousehold()
  const { data, wrong, asking, stop } = useAnswer(
    'remedies',
    of,
    (query, signal) => api.GET('/remedies', { params: { query }, signal }),
    (was, now) => !now.ground && !now.layout && was.wish === now.wish && was.week === now.week,
  )
  const refused = ref('')
  const busy = ref(false)

  /** How many of the changes have been tried, of a search that takes long. */
  const progress = ref<{ done: number; of: number }>()
  const watching = useIntervalFn(
    async () => {
      // Where there is no answer nothing is shown: the search itself tells what is wrong.
      const { data } = await api.GET('/remedies-progress').catch(() => ({ data: undefined }))
      progress.value = asking.value && data?.of ? data : undefined
    },
    often,
    { immediate: false },
  )
  watch(
    () => asking.value && !!of()?.ground,
    (long) => {
      progress.value = undefined
      if (long) watching.resume()
      else watching.pause()
    },
    { immediate: true },
  )

  /** Makes the change that a remedy is. */
  async function take({ command, wish, target, overrule, customs, bed, habit, event }: Remedy): Promise<boolean> {
    busy.value = true
    const p =
      command === 'log'
        ? event && (await store.log(event))
        : await store.edit({ command, wish, target, overrule, customs, bed, habit })
    busy.value = false
    refused.value = wordsOf(p)
    return !p
  }

  return { data, wrong, asking, stop, refused, busy, progress, take }
}
