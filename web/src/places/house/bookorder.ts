// How the crops of the book are sorted, and the sun they want in words.
import type { BookCrop, BookPreparation } from '../../lib/api'

export const sunOf: Record<BookCrop['sun'], string> = { full: 'full sun', part: 'part shade' }

const byName = (a: BookCrop, b: BookCrop) => a.name.localeCompare(b.name)
export const orders: { value: string; words: string; by: (a: BookCrop, b: BookCrop) => number }[] = [
  { value: 'book', words: 'as in the book', by: () => 0 },
  { value: 'name', words: 'by name', by: byName },
  { value: 'depth', words: 'by sowing depth', by: (a, b) => a.depth_cm - b.depth_cm || byName(a, b) },
  { value: 'sun', words: 'by sun', by: (a, b) => a.sun.localeCompare(b.sun) || byName(a, b) },
]

/** How many figures of a row are the household's own. */
export const changed = (x: BookCrop | BookPreparation) => x.figures.filter((f) => f.set).length

/** Whether some texts hold every word that is looked for. */
export function holds(wanted: string, texts: string[]): boolean {
  const all = texts.join(' ').toLowerCase()
  return wanted
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .every((w) => all.includes(w))
}
