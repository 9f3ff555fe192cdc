// How the plants of a piece are drawn: a pattern of dots as they really stand.
import type { Bed, Piece } from '../../lib/api'

/** The extent of a bed along the plot's length and width, m. */
export function across(b: Bed): [number, number] {
  return b.turned ? [b.width, b.length] : [b.length, b.width]
}

/** The pattern of a piece's plants, in metres of the drawing: where it begins in the
 * piece, its size, its dots, and how far it fills. */
export function spots(p: Piece, b: Bed, key: string) {
  // Along the bed and across it, before the bed is turned.
  const along = p.across ? p.line : p.plant
  const over = p.across ? p.plant : p.line
  const rows = Math.max(1, p.across ? Math.min(p.lines, Math.floor(b.width / over + 1e-6) + 1) : p.lines)
  const fill = Math.min(b.width, rows * over)
  const start = (b.width - fill) / 2
  const high = p.shifted ? 2 * over : over
  let dots = p.shifted
    ? [
        [along * 0.25, over * 0.5],
        [along * 0.75, over * 1.5],
      ]
    : [[along / 2, over / 2]]
  let [dx, dy, pw, ph, fw, fh] = [0, start, along, high, p.length, fill]
  if (b.turned) {
    ;[dx, dy, pw, ph, fw, fh] = [start, 0, high, along, fill, p.length]
    dots = dots.map(([x, y]) => [y!, x!])
  }
  return { id: 'plants-' + key, dx, dy, pw, ph, fw, fh, dots, r: Math.min(0.11, 0.3 * Math.min(along, over)) }
}
