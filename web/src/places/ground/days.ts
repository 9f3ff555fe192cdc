// The days that the ground is shown for, and the one that is looked at.
import { computed, ref, watch } from 'vue'
import type { Piece } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { dayNumber, isoDay } from '../../lib/words'

/** Days are counted since 1970; `at` counts from the first that is shown. */
export function useDays(pieces: () => Piece[]) {
  const store = useHousehold()
  /** From the first day that something stands to the last. */
  const from = computed(() => {
    const first = store.plan?.weeks[0]
    const least = first ? dayNumber(first) - 60 : 0
    return pieces().length ? Math.max(least, Math.min(...pieces().map((p) => dayNumber(p.from)))) : least
  })
  const to = computed(() =>
    Math.min(from.value + 460, Math.max(from.value + 300, ...pieces().map((p) => dayNumber(p.to)))),
  )
  const day = ref('')
  watch(
    () => [store.plan?.as_of, from.value, to.value] as const,
    ([today]) => {
      if (!today) return
      const n = day.value ? dayNumber(day.value) : dayNumber(today)
      day.value = isoDay(Math.min(to.value - 1, Math.max(from.value, n)))
    },
    { immediate: true },
  )
  const at = computed({
    get: () => dayNumber(day.value || '2000-01-01') - from.value,
    set: (n: number) => (day.value = isoDay(from.value + n)),
  })
  function step(by: number) {
    at.value = Math.max(0, Math.min(to.value - from.value - 1, at.value + by))
  }
  return { from, to, day, at, step }
}
