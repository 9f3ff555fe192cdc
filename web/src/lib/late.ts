// Long lists: one screen is painted at once, the rest while the browser has nothing else to do.
import { useEventListener } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'

/** The longest wait for a moment in which the browser has nothing else to do, ms. */
const patience = 100
const idle: (run: () => void) => void =
  'requestIdleCallback' in window
    ? (run) => window.requestIdleCallback(run, { timeout: patience })
    : (run) => setTimeout(run)

/** How many rows of a list of `total` to paint now: `first` when it opens, then `step` more at a time. */
export function useLate(total: () => number, first: number, step: number) {
  const painted = ref(first)
  let gone = false
  let waits = false
  function more() {
    if (gone || waits || painted.value >= total()) return
    waits = true
    // The picture of what is there goes first.
    requestAnimationFrame(() =>
      idle(() => {
        waits = false
        painted.value += step
        more()
      }),
    )
  }
  onMounted(more)
  watch(total, more)
  onBeforeUnmount(() => (gone = true))
  // Paper takes all of it.
  useEventListener(window, 'beforeprint', () => (painted.value = Math.max(painted.value, total())))
  return painted
}

/** The first `most` rows of lists that stand under each other. */
export function firstRows<T, G extends { rows: T[] }>(groups: G[], most: number): G[] {
  let left = most
  return groups.flatMap((g) => {
    const rows = g.rows.slice(0, Math.max(0, left))
    left -= g.rows.length
    return rows.length ? [{ ...g, rows }] : []
  })
}
