// What grows already, as it is put down line by line.
import type { Growing } from './api'
import { freshId } from './client'
import { dayNumber, isoDay } from './words'

/** One line: a thing that grows. */
export interface GrowsLine {
  key: string
  crop: string
  count: number | undefined
  by: Growing['by']
  bed: string
  since: string
  set: boolean
  look: string
}

/** What a count is in. */
export const measures: { by: Growing['by']; words: string }[] = [
  { by: 'plants', words: 'plants' },
  { by: 'row', words: 'of row' },
  { by: 'bed', words: 'of bed' },
]

/** How something looks, and what that says of its time: days behind it, or that it is picked. */
export const looks: { look: string; words: string; behind?: number; picked?: boolean }[] = [
  { look: 'usual', words: 'as it should' },
  { look: 'picked', words: 'picked already', picked: true },
  { look: 'ahead', words: 'a week ahead', behind: -7 },
  { look: 'behind', words: 'a week behind', behind: 7 },
  { look: 'far-behind', words: 'two weeks behind', behind: 14 },
]

/** A new line; it begins with the bed and the day of the one before. */
export function newLine(today: string, last?: GrowsLine): GrowsLine {
  return {
    key: freshId(),
    crop: '',
    count: 10,
    by: last?.by ?? 'plants',
    bed: last?.bed ?? '',
    since: last?.since ?? daysAgo(42, today),
    set: false,
    look: 'usual',
  }
}

/** A line as it is put down. */
export function growing(l: GrowsLine): Growing {
  const look = looks.find((x) => x.look === l.look)
  return {
    crop: l.crop,
    bed: l.bed || undefined,
    count: l.count ?? 0,
    by: l.by,
    since: l.since,
    set: l.set || undefined,
    behind: look?.behind,
    picked: look?.picked,
  }
}

/** Whole weeks from a day to today. */
export function weeksSince(since: string, today: string): number | undefined {
  return since && today ? Math.round((dayNumber(today) - dayNumber(since)) / 7) : undefined
}

/** The day so many days ago. */
export function daysAgo(days: number, today: string): string {
  return today ? isoDay(dayNumber(today) - Math.round(days)) : ''
}
