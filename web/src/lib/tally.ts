// What changed in the figures of the whole table by the last edit.
import type { Tally } from './api'

export type TallyKey = 'weeks_fed' | 'plants' | 'area' | 'jars' | 'freezer' | 'sowings'

/** Whether more of a figure is wanted (1), is a cost (-1), or is neither. */
const wanted: Record<TallyKey, number> = { weeks_fed: 1, jars: 1, plants: 0, sowings: 0, area: -1, freezer: -1 }

/** Whether a change is for the better or the worse; empty where it is neither. */
export function sideOf(key: TallyKey, change: number): 'better' | 'worse' | '' {
  const side = wanted[key] * Math.sign(change)
  return side > 0 ? 'better' : side < 0 ? 'worse' : ''
}

const figures: { key: TallyKey; unit: string; words: string }[] = [
  { key: 'weeks_fed', unit: '', words: 'weeks fed, if all has room' },
  { key: 'jars', unit: '', words: 'jars to fill' },
  { key: 'plants', unit: '', words: 'plants' },
  { key: 'sowings', unit: '', words: 'sowings' },
  { key: 'area', unit: 'm²', words: 'of bed in the fullest week' },
  { key: 'freezer', unit: 'L', words: 'in the freezer at its fullest' },
]

/** The figures that are other than before, in words: “+4 weeks fed”. */
export function tallyChanges(
  before: Tally | undefined,
  now: Tally | undefined,
  say: (v: number, unit: string) => string,
) {
  if (!before || !now) return []
  return figures.flatMap(({ key, unit, words }) => {
    const change = now[key] - before[key]
    if (Math.abs(change) < 1e-6) return []
    const text = `${change > 0 ? '+' : '−'}${say(Math.abs(change), unit)} ${words}`
    return [{ key, text, side: sideOf(key, change) }]
  })
}
