// A wish as the fields of its editor, and the wish that the fields say. Nothing here
// knows of the page: what the household's units and the core's facts are is handed in.
import type { Form, Wish } from '../../lib/api'
import type { AmountKind } from '../../lib/facts'

/** What the fields need to know beside the wish. */
export interface Facts {
  /** The unit in which a number of an amount kind is entered; empty where it is a plain count. */
  unitOf: (kind: string) => string
  /** The form that a preparation is put up in; undefined where there is none of the name. */
  formOf: (preparation: string) => Form | undefined
  /** What a field shows for a value, in the reader's units. */
  entry: (value: number, unit: string) => string
  /** The SI value of a field's text; NaN where it is no number. */
  read: (text: string, unit: string) => number
}

export type Fields = ReturnType<typeof fieldsOf>

/** The fields of a wish. */
export function fieldsOf(w: Wish, facts: Facts) {
  const unit = facts.unitOf(w.amount.kind)
  const some = (value: number | undefined, of = unit) => (value ? facts.entry(value, of) : '')
  return {
    food: w.food,
    kind: w.kind ?? '',
    amountKind: w.amount.kind as AmountKind,
    number: facts.entry(w.amount.number, unit),
    portion: some(w.amount.portion, 'g'),
    jar: w.amount.jar ?? 0,
    forms: [...w.forms],
    preparations: preparationsOf(w, facts),
    ...coverOf(w.cover ?? ''),
    piece: some(w.piece, 'g'),
    storied: !!w.story,
    had: w.story ? facts.entry(w.story.had, unit) : '',
    ranOut: w.story?.ran_out ?? '',
    began: w.story?.from || '09-01',
    leftThen: some(w.story?.left),
    given: some(w.story?.given),
    seasonKind: w.season.kind,
    from: w.season.from || 5,
    to: w.season.to || 10,
    also: (w.season.also ?? []).map((s) => ({ ...s })),
    whom: w.for?.use || w.for?.per || (w.for?.people ? 'people' : ''),
    people: w.for?.people ? String(w.for.people) : '2',
    priority: w.priority,
    confidence: w.confidence === undefined || w.confidence === null ? 'usual' : String(w.confidence),
    left: some(w.left),
    stagger: w.stagger.kind,
    days: String(w.stagger.days || (w.stagger.kind === 'times' ? '' : 14)),
    sowings: w.stagger.sowings ? String(w.stagger.sowings) : '',
    early: !!w.stagger.early,
    layout: w.layout ?? '',
    note: w.note ?? '',
  }
}

/** The preparation of each form that is put up. */
function preparationsOf(w: Wish, facts: Facts): Partial<Record<Form, string>> {
  const out: Partial<Record<Form, string>> = {}
  for (const id of w.preparations ?? []) {
    const form = facts.formOf(id)
    if (form) out[form] = id
  }
  return out
}

/** A cover, taken apart: its kind, and when it lies. */
function coverOf(cover: string) {
  const [, kind = '', when = '', from = '', to = ''] =
    /^(\S*)(?: (until picking|from picking|(\d\d-\d\d) to (\d\d-\d\d)))?$/.exec(cover) ?? []
  return { cover: kind, lies: from ? 'days' : when, coverFrom: from || '03-01', coverTo: to || '05-15' }
}

/** A cover as it is written. */
function coverText(f: Fields): string {
  if (!f.cover || !f.lies) return f.cover
  return `${f.cover} ${f.lies === 'days' ? `${f.coverFrom} to ${f.coverTo}` : f.lies}`
}

/** What kind of amount is chosen, and what the chosen food can be. */
export interface Chosen {
  unit: string
  weekly: boolean
  /** Plants are counted, not what they bear. */
  unweighed: boolean
  putUp: boolean
  onePiece: boolean
  possible: Form[]
}

/** The wish that the fields say, beside the id and the pins of the wish edited; and for
 * each field that is no number, why. */
export function wishOf(
  f: Fields,
  was: Wish,
  chosen: Chosen,
  facts: Facts,
): { wish: Wish; wrong: Record<string, string> } {
  const wrong: Record<string, string> = {}
  /** Reads a number field; a text that is none is told at the field. */
  function number(name: string, text: string, of = '', blank = NaN): number {
    const v = text.trim() === '' ? blank : facts.read(text, of)
    if (Number.isNaN(v))
      wrong[name] = text.trim() === '' ? 'Enter a number.' : `“${text}” is not a number. Enter one, such as 26.`
    return v
  }
  const forms = formsOf(f, chosen)
  const days = { every: () => number('stagger.days', f.days), times: () => number('stagger.days', f.days, '', 0) }
  const wish: Wish = {
    id: was.id,
    food: f.food,
    kind: f.kind,
    forms,
    preparations: forms.flatMap((form) => f.preparations[form] ?? []),
    amount: {
      kind: f.amountKind,
      number: number('amount.number', f.number, chosen.unit),
      portion: f.amountKind === 'meals' ? number('amount.portion', f.portion, 'g', 0) : 0,
      jar: f.amountKind === 'jars' ? f.jar : 0,
    },
    season:
      f.seasonKind === 'months' ? { kind: 'months', from: f.from, to: f.to, also: f.also } : { kind: f.seasonKind },
    for: whomOf(f, number),
    priority: f.priority,
    left: chosen.weekly ? 0 : number('left', f.left, chosen.unit, 0),
    stagger: {
      kind: chosen.unweighed && forms.length ? 'need' : f.stagger,
      days: days[f.stagger as 'every' | 'times']?.() ?? 0,
      sowings: number('stagger.sowings', f.sowings, '', 0),
      early: f.early && f.stagger === 'need',
    },
    layout: f.layout,
    cover: coverText(f),
    piece: chosen.onePiece && f.piece.trim() ? number('piece', f.piece, 'g') : 0,
    pins: was.pins,
    note: f.note,
  }
  if (f.storied && !chosen.weekly && !chosen.unweighed) wish.story = storyOf(f, chosen, number)
  if (f.confidence !== 'usual') wish.confidence = Number(f.confidence)
  return { wish, wrong }
}

type ReadNumber = (name: string, text: string, of?: string, blank?: number) => number

function formsOf(f: Fields, chosen: Chosen): Form[] {
  if (chosen.unweighed) return f.forms.filter((form) => chosen.possible.includes(form)).slice(0, 1)
  if (chosen.putUp) return f.forms.slice(0, 1)
  return f.forms.filter((form) => chosen.possible.includes(form))
}

/** For whom it is; nothing where it is for everybody. */
function whomOf(f: Fields, number: ReadNumber): Wish['for'] {
  switch (f.whom) {
    case '':
      return undefined
    case 'people':
      return { people: number('for.people', f.people) }
    case 'guests':
    case 'animals':
    case 'given':
      return { use: f.whom }
  }
  return { per: f.whom as NonNullable<NonNullable<Wish['for']>['per']> }
}

/** What became of last year's. */
function storyOf(f: Fields, { unit }: Chosen, number: ReadNumber): Wish['story'] {
  const out: NonNullable<Wish['story']> = { had: number('story.had', f.had, unit) }
  if (f.ranOut) {
    out.from = f.began
    out.ran_out = f.ranOut
  } else if (f.leftThen.trim()) out.left = number('story.left', f.leftThen, unit)
  if (f.given.trim()) out.given = number('story.given', f.given, unit)
  return out
}
