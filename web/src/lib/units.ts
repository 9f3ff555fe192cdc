// Quantities in the reader's units. The factors come from the binary.
import { computed } from 'vue'
import { useHousehold } from './household'
import { entryOf, preciseOf, quantityOf, rangeOf, readOf, rendered, sayOf, type Shown } from './numbers'
import { useStored } from './stored'

export type System = 'metric' | 'us'

const system = useStored<System>('units', ['metric', 'us'])

export function useUnits() {
  const store = useHousehold()
  const table = computed(() => new Map((store.reference?.units ?? []).map((u) => [u.unit, u])))

  function shown(unit: string): Shown {
    const u = table.value.get(unit)
    return u ? u[system.value] : { unit, factor: 1, offset: 0, decimals: 0, style: '' }
  }
  return {
    system,
    shown,
    quantity: (value: number, unit: string) => quantityOf(value, shown(unit)),
    precise: (value: number, unit: string) => preciseOf(value, shown(unit)),
    say: (value: number, unit: string) => sayOf(value, shown(unit)),
    range: (low: number, high: number, unit: string) => rangeOf(low, high, shown(unit)),
    render: (text: string) => rendered(text, shown),
    entry: (value: number, unit: string) => entryOf(value, shown(unit)),
    read: (text: string, unit: string) => readOf(text, shown(unit)),
  }
}
