// How the plants of a piece are drawn: a pattern of dots as they really stand.
import type { Bed, Piece } from '../../lib/api'

/** The extent of a bed along the plot's length and width, m. */
export function across(b: Bed): [number, number] {
  return b.turned ? [b.width, b.length] : [b.length, b.width]
}

/** The pattern of a piece's plants, in metres from the corner of the piece: where it
 * begins, its size and its dots, and the part of the piece that it fills. */
export function spots(p: Piece, b: Bed, key: string) {
  // Along the bed and across it, before the bed is turned. The lines lie in its middle.
  const along = p.across ? p.line : p.plant
  const over = p.across ? p.plant : p.line
  const rows = Math.max(1, p.across ? Math.min(p.lines, Math.floor(b.width / over + 1e-6) + 1) : p.lines)
  const start = (b.width - rows * over) / 2
  const from = Math.max(0, start)
  const fill = Math.min(b.width, start + rows * over) - from
  const high = p.shifted ? 2 * over : over
  const dots = p.shifted
    ? [
        [along * 0.25, over * 0.5],
        [along * 0.75, over * 1.5],
      ]
    : [[along / 2, over / 2]]
  const r = Math.min(0.11, 0.3 * Math.min(along, over))
  const id = 'plants-' + key
  return b.turned
    ? {
        id,
        r,
        px: start,
        py: 0,
        pw: high,
        ph: along,
        fx: from,
        fy: 0,
        fw: fill,
        fh: p.length,
        dots: dots.map(([x, y]) => [y!, x!]),
      }
    : { id, r, px: 0, py: start, pw: along, ph: high, fx: 0, fy: from, fw: p.length, fh: fill, dots }
}
