// Days drawn from left to right.
import { scaleUtc } from 'd3-scale'
import { utcMonth } from 'd3-time'
import { monthShort } from './words'

const milliseconds = 86_400_000

export interface MonthMark {
  at: number
  name: string
  /** The year, at the first mark and in every January. */
  year: string
}

/** Draws the days from one to another, counted since 1970, onto 0 to `width`. What lies
 * outside is drawn at the edge. */
export function timeScale(from: number, to: number, width: number) {
  const scale = scaleUtc([new Date(from * milliseconds), new Date(to * milliseconds)], [0, width]).clamp(true)
  const x = (iso: string) => scale(new Date(iso))
  return {
    x,
    /** How wide the time between two days is drawn, and never less than can be seen. */
    span: (a: string, b: string, least: number) => Math.max(least, x(b) - x(a)),
    /** The day at a place of the drawing, counted since 1970. */
    dayAt: (place: number) => Math.round(scale.invert(place).getTime() / milliseconds),
    /** The first day of each month, but for one so near the end that its name has no room. */
    months(room = 15): MonthMark[] {
      const last = (to - room) * milliseconds
      return scale
        .ticks(utcMonth)
        .filter((d) => d.getTime() <= last)
        .map((d, i) => {
          const iso = d.toISOString().slice(0, 10)
          return { at: scale(d), name: monthShort(iso), year: i === 0 || d.getUTCMonth() === 0 ? iso.slice(0, 4) : '' }
        })
    },
  }
}
