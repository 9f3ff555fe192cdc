// Quantities in the reader's units. The factors come from the binary.
import { computed } from 'vue'
import { useHousehold } from './household'
import { useStored } from './stored'

export type System = 'metric' | 'us'

const system = useStored<System>('units', ['metric', 'us'])

export interface Quantity {
  number: string
  unit: string
}

const minus = (text: string) => text.replace('-', '−')

/** Groups thousands with a thin space, so that no comma is taken for a decimal one. */
function grouped(text: string): string {
  const [whole = '', part] = text.split('.')
  const g = whole.replace(/\B(?=(\d{3})+(?!\d))/g, '\u2009')
  return part === undefined ? g : `${g}.${part}`
}

/** One of a thing that is counted: "1 piece". */
function one(unit: string, number: string): string {
  return number === '1'
    ? unit.replace(/^(piece|jar|plant|seed|cell|meal|start|station|week|day|sowing|row|month)s\b/, '$1')
    : unit
}

export function useUnits() {
  const store = useHousehold()
  const table = computed(() => new Map((store.reference?.units ?? []).map((u) => [u.unit, u])))

  function shown(unit: string) {
    const u = table.value.get(unit)
    return u ? u[system.value] : { unit, factor: 1, offset: 0, decimals: 0 }
  }

  function quantity(value: number, unit: string): Quantity {
    const s = shown(unit)
    const n = value * s.factor + s.offset
    const size = Math.abs(n)
    let d = s.decimals
    if (size >= 1000) d = 0
    else if (size >= 100) d = Math.min(d, 1)
    else if (size > 0 && size < 1 && d > 0 && d < 2) d++
    else if (d === 0 && size < 10) d = 1 // three and a half jars, not four
    if (Math.abs(n - Math.round(n)) < 1e-9) d = 0 // whole ones need no decimals
    const text = n.toFixed(d)
    const number = minus(grouped(/^-0(\.0*)?$/.test(text) ? text.slice(1) : text))
    return { number, unit: one(s.unit, number) }
  }

  /** A quantity with five figures, as a sum done by hand needs them. */
  function precise(value: number, unit: string): Quantity {
    const s = shown(unit)
    const n = value * s.factor + s.offset
    const text = Math.abs(n) >= 1e5 || n === 0 ? String(Math.round(n)) : String(Number(n.toPrecision(5)))
    return { number: minus(grouped(text)), unit: s.unit }
  }

  /** A quantity as one text. */
  function say(value: number, unit: string): string {
    const q = quantity(value, unit)
    return q.unit ? `${q.number} ${q.unit}` : q.number
  }

  /** Replaces the marks {value|unit} of a text from the binary. */
  function render(text: string): string {
    return text.replace(/\{([^{}|]+)\|([^{}|]*)\}/g, (_, v: string, u: string) => say(Number(v), u))
  }

  /** What to put into a field for a value, with no more digits than it has. */
  function entry(value: number, unit: string): string {
    const s = shown(unit)
    return String(Number((value * s.factor + s.offset).toPrecision(6)))
  }

  /** The SI value of a field's text; NaN where it is no number. */
  function read(text: string, unit: string): number {
    const s = shown(unit)
    return (plainNumber(text) - s.offset) / s.factor
  }

  return { system, shown, quantity, precise, say, render, entry, read }
}

/** A number as typed, with a decimal point or comma; NaN where it is none. */
export function plainNumber(text: string): number {
  const t = text.trim().replace(',', '.').replace('−', '-')
  return t === '' || !/^-?(\d+\.?\d*|\.\d+)(e\d+)?$/i.test(t) ? NaN : Number(t)
}
