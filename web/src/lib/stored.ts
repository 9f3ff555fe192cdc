// Choices that this device remembers.
import { useLocalStorage } from '@vueuse/core'
import { computed, type WritableComputedRef } from 'vue'

/** A choice under a name, one of the given values; the first where nothing is remembered. */
export function useStored<T extends string>(name: string, values: readonly [T, ...T[]]): WritableComputedRef<T> {
  const text = useLocalStorage<string>('inventory.' + name, values[0])
  return computed({
    get: () => values.find((v) => v === text.value) ?? values[0],
    set: (v) => (text.value = v),
  })
}
