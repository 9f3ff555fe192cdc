// The week in focus of the ledger, moved by keys and by the pointer.
import type { Ref } from 'vue'

/** Moves `week` of 0 to 51, −1 where none is in focus; `open` opens one. Cells of weeks are
 * marked with data-weeks, and are as wide as the year. */
export function useWeekCursor(week: Ref<number>, grid: Ref<HTMLElement | undefined>, open: (w: number) => void) {
  function move(e: KeyboardEvent) {
    const by = { ArrowRight: 1, ArrowLeft: -1, ']': 1, '[': -1 }[e.key]
    if (by !== undefined) week.value = Math.min(51, Math.max(0, (week.value < 0 ? 0 : week.value) + by))
    else if (e.key === 'Home') week.value = 0
    else if (e.key === 'End') week.value = 51
    else if (e.key === 'Enter' && week.value >= 0 && e.target === grid.value) open(week.value)
    else if (e.key === 'Escape') week.value = -1
    else return
    e.preventDefault()
    e.stopPropagation()
  }

  function weekAt(e: MouseEvent): number {
    const cell = (e.target as HTMLElement).closest<HTMLElement>('[data-weeks]')
    if (!cell) return -1
    const box = cell.getBoundingClientRect()
    return Math.min(51, Math.max(0, Math.floor(((e.clientX - box.left) / box.width) * 52)))
  }

  function point(e: MouseEvent) {
    const w = weekAt(e)
    if (w >= 0) week.value = w
  }
  function press(e: MouseEvent) {
    const w = weekAt(e)
    if (w >= 0) open(w)
  }
  return { move, point, press }
}
