// A step of care in words.
import type { CareStep } from './api'
import { count } from './words'
import { fixed } from './numbers'

export const stageWords: Record<CareStep['from'], string> = {
  sown: 'sowing',
  up: 'seedlings are up',
  'in-bed': 'it is in the bed',
  'first-pick': 'the first picking',
  'last-pick': 'the last picking',
  clear: 'the bed is cleared',
}

export const perWords: Record<CareStep['per'], string> = { plant: 'a plant', m2: 'a square metre', once: 'each time' }

/** When a step is done and how long it takes: 28 days after it is in the bed, every 28 days until the first picking. */
export function stepWords(s: CareStep): string {
  const when = s.days
    ? `${count(Math.abs(s.days), 'day')} ${s.days < 0 ? 'before' : 'after'} ${stageWords[s.from]}`
    : `when ${s.from === 'sown' ? 'it is sown' : s.from === 'first-pick' || s.from === 'last-pick' ? `${stageWords[s.from]} comes` : stageWords[s.from]}`
  const again = s.every
    ? `, every ${count(s.every, 'day')}${s.times ? `, ${count(s.times, 'time')}` : s.until ? ` until ${stageWords[s.until as CareStep['from']]}` : ''}`
    : ''
  return `${when}${again}${s.minutes ? `; ${fixed(s.minutes, s.minutes % 1 ? 1 : 0)} min ${perWords[s.per]}` : ''}`
}
