// The rows of the year's ledger: the foods in groups, and their sums by week.
import type { PlanWish } from '../../lib/api'
import { sources, texture } from '../../lib/facts'
import { capital } from '../../lib/words'

export interface Group {
  title: string
  rows: PlanWish[]
}
export type GroupBy = 'yours' | 'food' | 'source'

/** The source that feeds most of a food's weeks. */
function mostly(source: string[]): string {
  const n = new Map<string, number>()
  for (const s of source) if (s && s !== 'gap' && s !== 'bought') n.set(texture(s), (n.get(texture(s)) ?? 0) + 1)
  return [...n].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'gap'
}

/** The foods in groups; `sourceOf` says where each week of a food comes from, `foodOf` what food it is. */
export function grouped(
  foods: PlanWish[],
  by: GroupBy,
  sourceOf: (id: string) => string[],
  foodOf: (w: PlanWish) => string,
): Group[] {
  if (by === 'yours') return [{ title: '', rows: foods }]
  if (by === 'source')
    return sources()
      .map((s) => ({ title: s.mostly, rows: foods.filter((w) => mostly(sourceOf(w.id)) === s.source) }))
      .filter((g) => g.rows.length)
  const byFood = new Map<string, PlanWish[]>()
  for (const w of foods) byFood.set(foodOf(w), [...(byFood.get(foodOf(w)) ?? []), w])
  return [...byFood]
    .sort((a, b) => a[0].localeCompare(b[0]))
    .map(([food, rows]) => ({ title: rows.length > 1 ? capital(food) : '', rows }))
}

/** How many foods each week has, and how many it lacks. */
export function weekly(sources: string[][]): { fed: number[]; gaps: number[] } {
  const fed = Array<number>(52).fill(0)
  const gaps = Array<number>(52).fill(0)
  for (const source of sources)
    source.forEach((s, i) => {
      if (s === 'gap') gaps[i] = (gaps[i] ?? 0) + 1
      else if (s) fed[i] = (fed[i] ?? 0) + 1
    })
  return { fed, gaps }
}
