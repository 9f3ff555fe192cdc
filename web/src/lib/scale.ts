// The household's kitchen scale, asked again and again while somebody looks at it.
import { useIntervalFn } from '@vueuse/core'
import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { answer, api, Refused, type ScaleReading } from './api'
import { fieldError } from './problems'

/** How often the scale is asked, ms. */
const asked = 400

export function useScale() {
  const reading = shallowRef<ScaleReading>()
  const wrong = ref('')
  let waiting = false

  async function look() {
    if (waiting || document.hidden) return
    waiting = true
    try {
      reading.value = await answer(() => api.GET('/scale'))
      wrong.value = ''
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      reading.value = undefined
      wrong.value = fieldError(e.problem, 'scale') || e.problem.detail
    }
    waiting = false
  }

  async function tell(what: { tare?: boolean; kg?: number }) {
    try {
      await answer(() => api.POST('/scale', { body: what }))
      await look()
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      wrong.value = fieldError(e.problem, 'scale') || e.problem.detail
    }
  }

  const { pause } = useIntervalFn(() => void look(), asked, { immediateCallback: true })
  onBeforeUnmount(pause)
  return { reading, wrong, tare: () => tell({ tare: true }), load: (kg: number) => tell({ kg }) }
}
