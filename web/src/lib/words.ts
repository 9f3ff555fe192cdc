// Words for the values of the contract, and dates as people write them.
import type { Sowing } from './api'
import { fixed } from './numbers'

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
export const monthNames = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/** 2027-04-28 as “28 Apr”. */
export function day(iso: string | undefined): string {
  if (!iso) return ''
  const [, m, d] = iso.split('-')
  return `${Number(d)} ${months[Number(m) - 1] ?? ''}`
}

/** 2027-04-28 as “28 Apr 2027”. */
export function fullDay(iso: string): string {
  return `${day(iso)} ${iso.slice(0, 4)}`
}

/** A day with its year where it is another than that of today: “28 Apr”, “8 Mar 2028”. */
export function dated(iso: string | undefined, today: string | undefined): string {
  if (!iso) return ''
  return today && iso.slice(0, 4) === today.slice(0, 4) ? day(iso) : fullDay(iso)
}

/** A chance as people say it: “in 8 years of 10”, a rare one “about 1 year in 16”. */
export function years(chance: number): string {
  if (chance > 0.97) return 'nearly every year'
  if (chance < 0.005) return 'hardly ever'
  if (chance < 0.15) return `about 1 year in ${Math.round(1 / chance)}`
  const n = Math.min(9, Math.round(10 * chance))
  return `in ${n} years of 10`
}

/** 04-28 as “28 Apr”. */
export function yearDay(text: string): string {
  return text ? day(`2000-${text}`) : ''
}

export function monthYear(iso: string): string {
  return `${monthNames[Number(iso.slice(5, 7)) - 1]} ${iso.slice(0, 4)}`
}

export function monthShort(iso: string): string {
  return months[Number(iso.slice(5, 7)) - 1] ?? ''
}

export const coverWords: Record<string, string> = {
  '': 'none',
  fleece: 'fleece',
  net: 'net, against pests only',
  frame: 'cold frame',
  tunnel: 'tunnel',
  shade: 'shade cloth',
}

/** A cover as it is written, in words: "fleece 03-01 to 05-15" is fleece from 1 Mar to 15 May. */
export function coverSaid(cover: string): string {
  return cover.replace(/ (\d\d-\d\d) to (\d\d-\d\d)$/, (_, from, to) => ` from ${yearDay(from)} to ${yearDay(to)}`)
}

export const bandWords: Record<string, string> = {
  adult: 'adult',
  teen: 'teen',
  child: 'child 7–12',
  'small-child': 'child 3–6',
  infant: 'child under 3',
}

export const sourceOfValue: Record<string, string> = {
  household: 'yours',
  usual: 'usual figure',
  place: 'your place',
  measured: 'your records',
  reckoned: '',
}

/** A plant family in English, by the crops of the book; a family that none of them has keeps its Latin name. */
export function familyName(crops: { family: string; family_name: string }[], latin: string): string {
  return crops.find((c) => c.family === latin)?.family_name ?? latin
}

/** How much a wish matters. */
export const priorityWords: Record<string, string> = { must: 'must have', want: 'would like', nice: 'nice to have' }

/** One or many of a thing. */
export function count(n: number, one: string, many = one + 's'): string {
  return `${n} ${n === 1 ? one : many}`
}

/** The wishes that a sowing serves, each once: its figures are for all of them together. */
export function serves(s: Sowing): string {
  return [...new Set(s.for.map((f) => f.title))].join(' · ')
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** Whole days since 1970 of an ISO date, and back. */
export function dayNumber(iso: string): number {
  return Math.round(Date.parse(iso) / 86400000)
}
export function isoDay(n: number): string {
  return new Date(n * 86400000).toISOString().slice(0, 10)
}

const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
export function weekday(iso: string): string {
  return weekdays[new Date(Date.parse(iso)).getUTCDay()] ?? ''
}

/** What there is of a task: 24 cells, 2.8 m of drill, 200 tubers. */
export function taskAmount(t: { count?: number; unit?: string; noun?: string }, say: (n: number, u: string) => string) {
  if (!t.count) return ''
  if (t.noun && !t.noun.startsWith('of ')) return `${Math.round(t.count)} ${t.noun}`
  return say(t.count, t.unit ?? '') + (t.noun ? ' ' + t.noun : '')
}

/** Entries in the order of their dates, month by month. */
export function byMonth<T>(all: T[], date: (t: T) => string): { month: string; entries: T[] }[] {
  const out: { month: string; entries: T[] }[] = []
  for (const e of all) {
    const month = monthYear(date(e))
    const last = out[out.length - 1]
    if (last?.month === month) last.entries.push(e)
    else out.push({ month, entries: [e] })
  }
  return out
}

/** An amount in the household's own money. */
export function money(v: number): string {
  return fixed(v, 2)
}
