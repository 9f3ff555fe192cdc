// Which wishes are those of the list to begin with.
import type { Wish } from '../../lib/api'

/** Whether a wish is the one of a line of the list: the same food, eaten the same way, counted the same way. The
 * amount and the months may have been changed since. */
export function sameWish(a: Wish, b: Wish): boolean {
  const key = (w: Wish) =>
    JSON.stringify([w.food, w.kind ?? '', [...w.forms].sort(), [...(w.preparations ?? [])].sort(), w.amount.kind])
  return key(a) === key(b)
}
