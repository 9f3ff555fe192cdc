// The plots of a household: the first, and further ones, which have a name.
import { computed } from 'vue'
import type { Bed, Plot } from './api'
import { useHousehold } from './household'

export interface OnePlot {
  id: string
  name: string
  /** Nothing, where the first plot has not been measured. */
  plot: Plot | undefined
  beds: Bed[]
}

export function usePlots() {
  const store = useHousehold()
  const plots = computed<OnePlot[]>(() => {
    const h = store.household
    const all = [h?.plot, ...(h?.plots ?? [])]
    return all.map((plot) => {
      const id = plot?.id ?? ''
      return {
        id,
        name: plot?.name || 'The plot',
        plot,
        beds: (h?.beds ?? []).filter((b) => (b.plot ?? '') === id),
      }
    })
  })
  /** Those on which beds lie. */
  const laid = computed(() => plots.value.filter((p) => p.beds.length))
  return { plots, laid }
}
