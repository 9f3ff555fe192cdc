// A piece of the layout moved by hand: taken hold of and held over another bed. Only when
// it has been moved a little is it a move and not a press.
import { useEventListener } from '@vueuse/core'
import type { Bed, Piece } from '../../lib/api'
import { useMoving } from '../../lib/ground'

/** How far the hand goes before a press is a move, pixels. */
const least = 5

/** Returns what takes hold of a piece where the pointer is. Bands of beds are marked with
 * data-band, and drawn from the bed's beginning at the top to its end at the bottom. */
export function useHeldPiece(beds: () => Bed[]): (p: Piece, e: PointerEvent) => void {
  const moving = useMoving()
  let held: { p: Piece; x: number; y: number; grip: number; moved: boolean } | undefined

  function take(p: Piece, e: PointerEvent) {
    if (p.with || e.button || e.pointerType === 'touch') return // a finger scrolls; the card moves it too
    const band = (e.currentTarget as Element).closest('svg')!.getBoundingClientRect()
    const b = beds().find((b) => b.id === p.bed)!
    const at = ((e.clientY - band.top) / band.height) * b.length
    held = { p, x: e.clientX, y: e.clientY, grip: at - p.at, moved: false }
  }
  useEventListener(window, 'pointermove', (e) => {
    if (!held) return
    if (!held.moved && Math.hypot(e.clientX - held.x, e.clientY - held.y) > least) {
      held.moved = true
      moving.begin(held.p)
    }
    const band = document.elementFromPoint(e.clientX, e.clientY)?.closest('[data-band]')
    const b = beds().find((b) => b.id === band?.getAttribute('data-band'))
    const svg = band?.querySelector('svg')?.getBoundingClientRect()
    if (held.moved && b && svg) moving.over(b.id, ((e.clientY - svg.top) / svg.height) * b.length - held.grip)
  })
  useEventListener(window, 'pointerup', () => {
    const h = held
    held = undefined
    if (!h?.moved) return
    if (moving.bed === h.p.bed && Math.abs(moving.at - h.p.at) < 0.05) moving.leave()
    // Where the rules let it lie it is put; else it stays in hand, with what they say.
    else if (moving.verdict === 'free' || moving.verdict === 'room') void moving.put(false)
  })
  return take
}
