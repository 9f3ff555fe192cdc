// What the binary refused, in words for the place where it was entered.
import type { Problem } from './api'
import { useUnits } from './units'

/** What a problem says of one field, or of the whole when it names none. */
export function fieldError(p: Problem | undefined, ...fields: string[]): string {
  for (const f of p?.fields ?? []) {
    if (fields.some((name) => f.field === name || f.field.startsWith(name + '.') || f.field.startsWith(name + '[')))
      return sentence(f.value, f.allowed)
  }
  return ''
}

/** All that a problem says, in one sentence or two, for a control that shows it in one place. */
export function wordsOf(p: Problem | undefined): string {
  return (p?.fields ?? []).map((f) => sentence(f.value, f.allowed)).join(' ') || p?.detail || ''
}

/** What a problem says that none of the given fields will show. */
export function otherErrors(p: Problem | undefined, ...fields: string[]): string {
  const rest = (p?.fields ?? []).filter(
    (f) => !fields.some((n) => f.field === n || f.field.startsWith(n + '.') || f.field.startsWith(n + '[')),
  )
  return rest.map((f) => `${f.field}: ${sentence(f.value, f.allowed)}`).join(' ')
}

function sentence(value: string, allowed: string): string {
  return useUnits().render(value === '' ? allowed : `“${value}” does not work. ${allowed}`)
}

/** What a problem says of a file, line by line. */
export function linesOf(p: Problem): string[] {
  const lines = (p.fields ?? []).map(
    (f) => `${f.field}: ${f.value === '' ? '' : `“${f.value}” does not work. `}${f.allowed}`,
  )
  return lines.length ? lines : [p.detail]
}
