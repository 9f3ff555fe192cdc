// Numbers as they are written beside their units, by the rules of the core (package
// amount); the tests of both read internal/core/amount/testdata/numbers.csv.

import { customary, readCustomary, type Style } from './customary'

/** How a unit is shown: value × factor + offset, with the unit's word beside it. */
export interface Shown {
  unit: string
  factor: number
  offset: number
  /** Decimals worth showing for a number of ordinary size. */
  decimals: number
  /** How its numbers are written: empty with a decimal point, else as in customary.ts. */
  style: Style
}

export interface Quantity {
  number: string
  unit: string
}

/** Stands between thousands, so that no comma is taken for a decimal one. */
const thin = '\u2009'
const formats = new Map<string, Intl.NumberFormat>()

function format(options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = JSON.stringify(options)
  let f = formats.get(key)
  if (!f) formats.set(key, (f = new Intl.NumberFormat('en', options)))
  return f
}

function inDigits(n: number, options: Intl.NumberFormatOptions): string {
  const text = format(options).format(n).replaceAll(',', thin)
  return (/^-[0.]*$/.test(text) ? text.slice(1) : text).replace('-', '−')
}

/** Rounds a half to the even digit, as the core does. */
function rounded(n: number, decimals: number): number {
  const tens = 10 ** decimals
  const up = n * tens
  const whole = Math.round(up)
  return (Math.abs(up % 1) === 0.5 && whole % 2 ? whole - 1 : whole) / tens
}

/** How many decimals to write of a number whose unit has so many as a rule. */
function decimalsOf(n: number, usual: number): number {
  if (Math.abs(n - Math.round(n)) < 1e-9) return 0 // whole ones need none
  const size = Math.abs(n)
  if (size >= 1000) return 0
  if (size >= 100) return Math.min(usual, 1)
  if (size < 1 && usual === 1 && Math.abs(n * 10 - Math.round(n * 10)) > 1e-9) return 2
  if (size < 10 && usual === 0) return 1 // three and a half jars, not four
  return usual
}

/** One of a thing that is counted: "1 piece". */
function one(unit: string, digits: string): string {
  if (digits !== '1') return unit
  return unit.replace(/^(piece|jar|plant|seed|cell|meal|start|station|week|day|sowing|row|month)s(?= |$)/, '$1')
}

/** A number with so many decimals. */
export function fixed(n: number, decimals: number): string {
  return inDigits(rounded(n, decimals), { minimumFractionDigits: decimals, maximumFractionDigits: decimals })
}

/** A number with as many decimals as its size asks for. */
export function ordinary(n: number, usual: number): string {
  return fixed(n, decimalsOf(n, usual))
}

/** A whole number with its sign: by how much something is more or less. */
export function signed(n: number): string {
  return (n < 0 ? '−' : '+') + fixed(Math.abs(n), 0)
}

/** A value of a unit as a number and the unit beside it. */
export function quantityOf(value: number, s: Shown): Quantity {
  const n = value * s.factor + s.offset
  if (s.style) return customary(n, s.style)
  const number = ordinary(n, s.decimals)
  return { number, unit: one(s.unit, number) }
}

/** A value with five figures, as a sum done by hand needs them. */
export function preciseOf(value: number, s: Shown): Quantity {
  const n = value * s.factor + s.offset
  const number =
    Math.abs(n) >= 1e5 || n === 0
      ? inDigits(Math.round(n), { maximumFractionDigits: 0 })
      : inDigits(n, { maximumSignificantDigits: 5 })
  return { number, unit: s.unit }
}

/** A quantity as one text. */
export function sayOf(value: number, s: Shown): string {
  const q = quantityOf(value, s)
  return q.unit ? `${q.number} ${q.unit}` : q.number
}

/** From one amount to another: the unit is said once where it is the same. */
export function rangeOf(low: number, high: number, s: Shown): string {
  const [a, b] = [quantityOf(low, s), quantityOf(high, s)]
  const alone = a.unit === b.unit && !/[a-z]/.test(a.number + b.number)
  return alone ? `${a.number} – ${b.number}` : `${sayOf(low, s)} – ${sayOf(high, s)}`
}

/** What to put into a field for a value, with no more digits than it has. */
export function entryOf(value: number, s: Shown): string {
  if (s.style === 'inches' || s.style === 'feet') {
    const q = quantityOf(value, s)
    return q.unit === s.unit ? q.number : `${q.number} ${q.unit}` // the field has its own unit beside it
  }
  const digits = s.factor === 1 || s.unit === '%' ? 6 : 4 // what is converted is not known any closer
  return String(Number((value * s.factor + s.offset).toPrecision(digits)))
}

/** The SI value of a field's text; NaN where it is no number. */
export function readOf(text: string, s: Shown): number {
  return ((s.style ? readCustomary(text, s.style) : plainNumber(text)) - s.offset) / s.factor
}

/** A number as typed, with a decimal point or comma; NaN where it is none. */
export function plainNumber(text: string): number {
  const t = text.trim().replace(',', '.').replace('−', '-')
  return t === '' || !/^-?(\d+\.?\d*|\.\d+)(e\d+)?$/i.test(t) ? NaN : Number(t)
}

/** Replaces the marks {value|unit} of a text from the binary. */
export function rendered(text: string, shown: (unit: string) => Shown): string {
  return text.replace(/\{([^{}|]+)\|([^{}|]*)\}/g, (_, v: string, u: string) => sayOf(Number(v), shown(u)))
}
