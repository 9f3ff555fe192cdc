// US customary measures as they stand on a ruler, a kitchen scale and a jar, by the rules of the core
// (internal/core/amount/customary.go); the tests of both read testdata/numbers.csv.
import { fixed, ordinary, plainNumber, type Quantity } from './numbers'

export type Style = '' | 'inches' | 'feet' | 'pounds' | 'quarts'

/** Rounds a half to the even whole number. */
function even(n: number): number {
  const whole = Math.round(n)
  return Math.abs(n % 1) === 0.5 && whole % 2 ? whole - 1 : whole
}

/** A number of eighths: 1 3/4. */
function fraction(n: number): string {
  const whole = Math.trunc(n)
  let eighths = even((n - whole) * 8)
  let of = 8
  if (!eighths) return String(whole)
  while (eighths % 2 === 0) [eighths, of] = [eighths / 2, of / 2]
  return `${whole ? `${whole} ` : ''}${eighths}/${of}`
}

function inches(n: number): Quantity {
  if (n >= 36) return feet(n / 12)
  const step = n < 3 ? 1 / 8 : n < 6 ? 1 / 4 : n < 12 ? 1 / 2 : 1
  const told = n > 1e-9 ? Math.max(step, even(n / step) * step) : n
  return { number: fraction(told), unit: 'in' }
}

function feet(n: number): Quantity {
  if (n >= 100) return { number: fixed(n, 0), unit: 'ft' }
  const whole = even(n * 12)
  if (n === 0) return { number: '0', unit: 'ft' }
  if (n < 1 && whole < 12) return inches(n * 12)
  if (whole % 12 === 0) return { number: String(whole / 12), unit: 'ft' }
  return { number: `${Math.floor(whole / 12)} ft ${whole % 12}`, unit: 'in' }
}

function pounds(n: number): Quantity {
  const ounces = even(n * 16)
  if (n >= 10) return { number: ordinary(n, 1), unit: 'lb' }
  if (n === 0) return { number: '0', unit: 'lb' }
  if (ounces < 1) return { number: ordinary(n * 16, 1), unit: 'oz' }
  if (ounces < 16) return { number: String(ounces), unit: 'oz' }
  if (ounces % 16 === 0) return { number: String(ounces / 16), unit: 'lb' }
  return { number: `${Math.floor(ounces / 16)} lb ${ounces % 16}`, unit: 'oz' }
}

function quarts(n: number): Quantity {
  const near = (size: number) => Math.abs(n - size) < 0.01 * size
  if (n === 0) return { number: '0', unit: 'qt' }
  if (n >= 3.995) return { number: ordinary(n / 4, 1), unit: 'gal' }
  if (near(0.5)) return { number: '1', unit: 'pint' }
  if (near(0.25)) return { number: '1', unit: 'half-pint' }
  if (n >= 0.995) return { number: fraction(even(n * 4) / 4), unit: 'qt' }
  if (n < 0.03) return { number: ordinary(n * 32, 1), unit: 'fl oz' }
  const cups = even(n * 16) / 4
  return { number: fraction(cups), unit: cups > 1 ? 'cups' : 'cup' }
}

/** A number of a unit's own size in its style, with the last of its units. */
export function customary(n: number, style: Style): Quantity {
  if (n < 0) {
    const q = customary(-n, style)
    return q.number === '0' ? q : { number: '−' + q.number, unit: q.unit }
  }
  const ways = { inches, feet, pounds, quarts }
  return style ? ways[style](n) : { number: String(n), unit: '' }
}

/** A number as typed: 2.5, 1/2, 1 1/2, ½, 1½. */
function typed(text: string): number {
  const vulgar: Record<string, string> = {
    '½': ' 1/2',
    '¼': ' 1/4',
    '¾': ' 3/4',
    '⅛': ' 1/8',
    '⅓': ' 1/3',
    '⅔': ' 2/3',
  }
  const t = text.replace(/[½¼¾⅛⅓⅔]/g, (c) => vulgar[c] ?? c).trim()
  const m = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(t)
  if (!m) return plainNumber(t)
  return Number(m[3]) ? Number(m[1] ?? 0) + Number(m[2]) / Number(m[3]) : NaN
}

/** How many of the field's own unit each word is. */
const units: Record<Exclude<Style, ''>, Record<string, number>> = {
  inches: { in: 1, '"': 1, ft: 12, "'": 12 },
  feet: { ft: 1, "'": 1, in: 1 / 12, '"': 1 / 12 },
  pounds: { lb: 1, oz: 1 / 16 },
  quarts: { qt: 1, gal: 4, pint: 0.5, cup: 0.25, cups: 0.25, 'half-pint': 0.25, 'fl oz': 1 / 32 },
}

/** What a field's text comes to in the field's own unit: 4 ft 6 in, 2 lb 4 oz, 1 1/2; NaN where it is none. */
export function readCustomary(text: string, style: Exclude<Style, ''>): number {
  const parts = [...text.trim().matchAll(/([\d.,/½¼¾⅛⅓⅔\s]+)\s*(fl oz|half-pint|[a-z]+|["'])?/gi)]
  if (!parts.length || parts.map((p) => p[0]).join('') !== text.trim()) return typed(text)
  let sum = 0
  for (const [, number, unit] of parts) {
    const size = unit ? units[style][unit.toLowerCase().replace(/s$/, '')] : 1
    sum += typed(number ?? '') * (size ?? NaN)
  }
  return sum
}
