// How what was learned is said.
import { fixed } from '../../lib/numbers'

const percent = (x: number) => `${fixed(Math.abs(100 * x), 0)} %`

/** A factor as more or less than something: 23 % less than your other beds. */
export function moreOrLess(factor: number, what: string): string {
  const by = factor - 1
  if (Math.abs(by) < 0.005) return `as much as ${what}`
  return `${percent(by)} ${by > 0 ? 'more' : 'less'} than ${what}`
}

/** Between what and what it lies in eight cases of ten. */
export function sureness(e: { low: number; high: number }): string {
  const end = (f: number) => `${f >= 1 ? '+' : '−'}${percent(f - 1)}`
  return `in 8 of 10 cases ${end(e.low)} to ${end(e.high)}`
}
