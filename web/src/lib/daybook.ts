// The tasks of the plan's sowings, gathered by day: those of one day and one crop
// are one line.
import type { GreenWork, Plan, Sowing, Task } from './api'
import { dayNumber, isoDay, serves } from './words'

export interface Line {
  key: string
  what: string
  do: string
  crop: string
  day: string
  count: number
  unit: string
  minutes: number
  parts: { sowing: Sowing; task: Task }[]
}

/** The Monday on or before a day. */
export function monday(iso: string): number {
  const n = dayNumber(iso)
  return n - ((n + 3) % 7)
}

/** The first day of the table year that runs today: in winter the plan is already of the next one. */
export function runningYear(plan: Plan): string {
  const first = plan.weeks[0] ?? plan.as_of
  return first > plan.as_of ? `${Number(first.slice(0, 4)) - 1}${first.slice(4)}` : first
}

/** The open tasks from the overdue ones to a day, in lines. */
export function linesUntil(plan: Plan, until: number): Line[] {
  const out = new Map<string, Line>()
  const last = isoDay(until) // dates compare as text; to read each of a thousand as a number takes a millisecond
  for (const s of plan.sowings) {
    for (const t of s.tasks) {
      if ((t.state !== 'open' && t.state !== 'overdue') || t.day > last) continue
      const key = `${t.day} ${t.what} ${s.crop} ${s.cover ?? ''} ${t.unit ?? ''}` // pieces and kg are no sum
      const line = out.get(key) ?? {
        key,
        what: t.what,
        do: t.do,
        crop: s.crop_name,
        day: t.day,
        count: 0,
        unit: t.unit ?? '',
        minutes: 0,
        parts: [],
      }
      line.count += t.count ?? 0
      line.minutes += t.minutes
      line.parts.push({ sowing: s, task: t })
      out.set(key, line)
    }
  }
  return [...out.values()].sort((a, b) => a.day.localeCompare(b.day) || a.crop.localeCompare(b.crop))
}

/** A sowing that the plan had to begin on a day that is past, and that nobody put down. */
export interface Undone {
  id: string
  crop: string
  for: string
  date: string
  /** It counts as put down for some days; else it counts no more. */
  counts: boolean
  weeks: number
}

/** What is to be caught up with, by date. */
export function undone(plan: Plan): Undone[] {
  const late = plan.sowings
    .filter((s) => s.late && !s.begun)
    .map((s) => ({ id: s.id, crop: s.crop_name, for: serves(s), date: s.date, counts: true, weeks: s.feeds.length }))
  const missed = (plan.missed ?? []).map((m) => ({
    id: m.id,
    crop: m.crop_name,
    for: m.for.join(', '),
    date: m.date,
    counts: false,
    weeks: m.weeks,
  }))
  return [...missed, ...late].sort((a, b) => a.date.localeCompare(b.date) || a.crop.localeCompare(b.crop))
}

/** What there is to do for green manures from a day to another, both included. */
export function greenTasks(plan: Plan, from: string, to: string): { green: GreenWork; task: Task }[] {
  return plan.green
    .flatMap((green) => green.tasks.map((task) => ({ green, task })))
    .filter(({ task }) => task.day >= from && task.day <= to)
    .sort((a, b) => a.task.day.localeCompare(b.task.day))
}

/** How many lines, the household's own jobs among them, are overdue and how many fall in what is left of this week. */
export function dueOf(plan: Plan): { overdue: number; week: number } {
  const last = monday(plan.as_of) + 6
  const chores = plan.chores.filter((c) => (c.state === 'open' || c.state === 'overdue') && dayNumber(c.day) <= last)
  const days = [...linesUntil(plan, last), ...chores].map((x) => x.day)
  return {
    overdue: days.filter((d) => d < plan.as_of).length,
    week: days.filter((d) => d >= plan.as_of).length,
  }
}

/** What was done in a week: tasks with their real day. */
export function doneIn(plan: Plan, from: number, to: number): { sowing: Sowing; task: Task }[] {
  return plan.sowings
    .flatMap((sowing) => sowing.tasks.map((task) => ({ sowing, task })))
    .filter(({ task }) => task.done && dayNumber(task.done) >= from && dayNumber(task.done) <= to)
    .sort((a, b) => (b.task.done ?? '').localeCompare(a.task.done ?? ''))
}

export function spanOf(from: number): [string, string] {
  return [isoDay(from), isoDay(from + 6)]
}
