// Moving sowings in time, by keys or by drawing their line: the move is shown at once,
// and put down once the hand rests.
import { useTimeoutFn } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import type { Sowing } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { wordsOf } from '../../lib/problems'
import { dayNumber, isoDay } from '../../lib/words'

/** How long the hand rests before a move by keys is put down, ms. */
const rest = 700

/** Whether the day of a sowing may still be moved. */
export const movable = (s: Sowing) => s.method !== 'patch' && !s.stands && !s.begun

/** Moves sowings on an axis of so many days; `press` is called where a line was pressed and not moved. */
export function useShift(days: () => number, press: (s: Sowing) => void) {
  const store = useHousehold()
  const moving = ref({ id: '', by: 0 })
  const wrong = ref('')
  let sowing: Sowing | undefined
  const resting = useTimeoutFn(() => sowing && void put(sowing), rest, { immediate: false })

  function shift(s: Sowing, by: number) {
    if (!movable(s)) return
    moving.value = { id: s.id, by: (moving.value.id === s.id ? moving.value.by : 0) + by }
    sowing = s
    resting.start()
  }
  function stop() {
    resting.stop()
    moving.value = { id: '', by: 0 }
  }
  async function put(s: Sowing) {
    resting.stop()
    const { id, by } = moving.value
    if (id !== s.id || !by) return stop()
    const had = document.activeElement?.closest('[data-bar]')?.getAttribute('data-bar') === s.id
    wrong.value = wordsOf(await store.log({ sowing: s.id, what: 'set', day: isoDay(dayNumber(s.date) + by) }))
    stop()
    if (!had) return
    await nextTick()
    document.querySelector<HTMLElement>(`[data-bar="${CSS.escape(s.id)}"] .axis`)?.focus()
  }

  function key(e: KeyboardEvent, s: Sowing) {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
    if (step) shift(s, e.shiftKey ? 7 * step : step)
    else if (e.key === 'Enter') {
      if (moving.value.id === s.id && moving.value.by) void put(s)
      else press(s)
    } else if (e.key === 'Escape' && moving.value.id === s.id) stop()
    else return
    e.preventDefault()
    e.stopPropagation()
  }

  let held: { s: Sowing; x: number; width: number } | undefined
  function down(e: PointerEvent, s: Sowing) {
    if (!movable(s) || e.button !== 0) return
    const axis = e.currentTarget as HTMLElement
    held = { s, x: e.clientX, width: axis.clientWidth }
    axis.setPointerCapture(e.pointerId)
  }
  function drag(e: PointerEvent) {
    if (!held) return
    const by = Math.round(((e.clientX - held.x) / held.width) * days())
    if (by || moving.value.id === held.s.id) moving.value = { id: held.s.id, by }
  }
  function drop() {
    if (held && moving.value.id === held.s.id) void put(held.s)
    else if (held) press(held.s)
    held = undefined
  }
  const letGo = () => (held = undefined)

  /** By how many days a sowing is being moved. */
  const by = computed(() => (s: Sowing) => (moving.value.id === s.id ? moving.value.by : 0))
  return { by, wrong, key, down, drag, drop, letGo }
}
