// A day as people type it: 15 Jul 2027, July 15, 2027-07-15, today.
import { dayNumber, isoDay, monthNames } from './words'

const months = monthNames.map((m) => m.toLowerCase())
const monthOf = (word: string) => (word.length < 3 ? -1 : months.findIndex((m) => m.startsWith(word)))

/** The day that a text means; empty where it means none. Without a year it is the one nearest to `near`. */
export function readDay(text: string, near: string, today: string): string {
  const t = text.trim().toLowerCase().replaceAll(',', ' ').replaceAll('.', ' ').replace(/\s+/g, ' ').trim()
  const spoken: Record<string, number> = { today: 0, yesterday: -1, tomorrow: 1 }
  if (t in spoken) return isoDay(dayNumber(today) + (spoken[t] ?? 0))
  const iso = /^(\d{4})-(\d\d?)-(\d\d?)$/.exec(t)
  if (iso) return valid(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const m = /^(?:(\d\d?)(?:st|nd|rd|th)? ([a-z]+)|([a-z]+) (\d\d?)(?:st|nd|rd|th)?)(?: (\d{4}))?$/.exec(t)
  if (!m) return ''
  const month = monthOf(m[2] ?? m[3] ?? '') + 1
  const day = Number(m[1] ?? m[4])
  if (!month) return ''
  if (m[5]) return valid(Number(m[5]), month, day)
  const year = Number(near.slice(0, 4))
  const days = [year - 1, year, year + 1].map((y) => valid(y, month, day)).filter(Boolean)
  const off = (iso: string) => Math.abs(dayNumber(iso) - dayNumber(near))
  return days.sort((a, b) => off(a) - off(b))[0] ?? ''
}

/** A day of the calendar; empty where there is none such. */
function valid(year: number, month: number, day: number): string {
  const two = (n: number) => String(n).padStart(2, '0')
  const iso = `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`
  if (month < 1 || month > 12 || day < 1 || day > 31 || year < 1900) return ''
  return isoDay(dayNumber(iso)) === iso ? iso : ''
}
