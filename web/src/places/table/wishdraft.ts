// The fields of a wish as they are edited: what may be chosen for a food, and
// the wish that the fields say.
import { computed, reactive, ref, watch } from 'vue'
import type { Form, Wish } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { amountKind, amountKinds as everyAmountKind, type AmountKind } from '../../lib/facts'
import { useUnits } from '../../lib/units'

/** The unit in which a person enters the number of an amount kind; empty: it has none. */
function unitOf(kind: string): string {
  const unit = amountKind(kind)?.unit ?? ''
  return ['kg', 'L', 'm²', 'm'].includes(unit) ? unit : ''
}

/** For whom a wish is, as one choice. */
export const whomWords: Record<string, string> = {
  '': 'everybody at the table',
  people: 'some of us',
  member: 'each who lives here',
  eater: 'each eater',
  child: 'each child and teen',
  infant: 'each under three',
  guests: 'the guests',
  animals: 'the animals',
  given: 'to give away',
}

export function useWishDraft(props: { wish: Wish; isNew?: boolean }) {
  const store = useHousehold()
  const { entry, read, shown, say, system } = useUnits()
  const draft = reactive(fieldsOf(props.wish))
  const numberWrong = ref<Record<string, string>>({})

  function fieldsOf(w: Wish) {
    return {
      food: w.food,
      kind: w.kind ?? '',
      amountKind: w.amount.kind as AmountKind,
      number: entry(w.amount.number, unitOf(w.amount.kind)),
      portion: w.amount.portion ? entry(w.amount.portion, 'g') : '',
      jar: w.amount.jar ?? 0,
      forms: [...w.forms],
      preparations: preparationsOf(w),
      ...coverOf(w.cover ?? ''),
      piece: w.piece ? entry(w.piece, 'g') : '',
      storied: !!w.story,
      had: w.story ? entry(w.story.had, unitOf(w.amount.kind)) : '',
      ranOut: w.story?.ran_out ?? '',
      began: w.story?.from || '09-01',
      leftThen: w.story?.left ? entry(w.story.left, unitOf(w.amount.kind)) : '',
      given: w.story?.given ? entry(w.story.given, unitOf(w.amount.kind)) : '',
      seasonKind: w.season.kind,
      from: w.season.from || 5,
      to: w.season.to || 10,
      also: (w.season.also ?? []).map((s) => ({ ...s })),
      whom: w.for?.use || w.for?.per || (w.for?.people ? 'people' : ''),
      people: w.for?.people ? String(w.for.people) : '2',
      priority: w.priority,
      confidence: w.confidence === undefined || w.confidence === null ? 'usual' : String(w.confidence),
      left: w.left ? entry(w.left, unitOf(w.amount.kind)) : '',
      stagger: w.stagger.kind,
      days: String(w.stagger.days || (w.stagger.kind === 'times' ? '' : 14)),
      sowings: w.stagger.sowings ? String(w.stagger.sowings) : '',
      early: !!w.stagger.early,
      layout: w.layout ?? '',
      note: w.note ?? '',
    }
  }

  /** A cover, taken apart: its kind, and when it lies. */
  function coverOf(cover: string) {
    const [, kind = '', when = '', from = '', to = ''] =
      /^(\S*)(?: (until picking|from picking|(\d\d-\d\d) to (\d\d-\d\d)))?$/.exec(cover) ?? []
    return { cover: kind, lies: from ? 'days' : when, coverFrom: from || '03-01', coverTo: to || '05-15' }
  }
  const cover = () =>
    !draft.cover || !draft.lies
      ? draft.cover
      : `${draft.cover} ${draft.lies === 'days' ? `${draft.coverFrom} to ${draft.coverTo}` : draft.lies}`

  /** The preparation of each form that is put up. */
  function preparationsOf(w: Wish): Partial<Record<Form, string>> {
    const out: Partial<Record<Form, string>> = {}
    for (const id of w.preparations ?? []) {
      const p = store.reference?.preparations.find((x) => x.id === id)
      if (p) out[p.form] = id
    }
    return out
  }

  // After an edit from elsewhere, or another system of units, the fields follow.
  watch([() => props.wish, system], () => Object.assign(draft, fieldsOf(props.wish)))

  const foods = computed(() => store.reference?.foods ?? [])
  const kinds = computed(() => foods.value.find((f) => f.name === draft.food)?.kinds ?? [])
  const chosen = computed(() => (draft.kind ? kinds.value.filter((k) => k.id === draft.kind) : kinds.value))
  const preparations = computed(() =>
    (store.reference?.preparations ?? []).filter((p) => chosen.value.some((k) => p.crops.includes(k.id))),
  )
  const keeps = computed(() => chosen.value.some((k) => k.keeps))
  const counts = computed(() => amountKind(draft.amountKind)?.counts)
  const putUp = computed(() => counts.value === 'volume' || counts.value === 'dried')
  const unweighed = computed(() => counts.value === 'plants')
  const weekly = computed(() => !!amountKind(draft.amountKind)?.weekly)
  const unit = computed(() => unitOf(draft.amountKind))
  const fitting = computed(() =>
    preparations.value.filter((p) => !putUp.value || p.unit === (counts.value === 'dried' ? 'kg' : 'litre')),
  )
  /** The forms that a food can be had in, beside what it is made into. */
  const possible = computed<Form[]>(() => {
    const whole = counts.value === 'pieces' && weekly.value
    const may = new Set(chosen.value.flatMap((k) => k.forms))
    return (store.reference?.forms ?? [])
      .filter((f) => !(whole && f.put_up))
      .map((f) => f.form as Form)
      .filter((f) => may.has(f))
  })
  const made = computed({
    get: () => draft.preparations[draft.forms[0] ?? 'fresh'] ?? '',
    set: (id: string) => {
      const p = preparations.value.find((x) => x.id === id)
      if (!p) return
      draft.forms = [p.form]
      draft.preparations = { [p.form]: id }
    },
  })
  const kept = computed(() => putUp.value || draft.forms.some((f) => f !== 'fresh'))
  const onePiece = computed(() => chosen.value.some((k) => k.one_piece))
  const usualPiece = computed(() => chosen.value.find((k) => k.piece)?.piece)
  const usualPortion = computed(() => chosen.value.find((k) => k.portion)?.portion)

  /** The amount kinds that the chosen food can have. */
  const amountKinds = computed(() => {
    const may = new Set(chosen.value.flatMap((k) => k.amount_kinds))
    return everyAmountKind()
      .filter((k) => !draft.food || may.has(k.kind))
      .map((k) => ({ value: k.kind, label: k.choice.replace('{unit}', shown(k.unit).unit) }))
  })

  const jars = computed(() => {
    const usual = preparations.value.find((p) => p.id === made.value)
    return [
      { value: 0, label: usual ? `usual: ${usual.jar}` : 'the usual one' },
      { value: 0.946353, label: 'quart' },
      { value: 0.473176, label: 'pint' },
      { value: 0.236588, label: 'half-pint' },
      { value: 1, label: '1 litre' },
      { value: 0.5, label: '½ litre' },
      ...([0, 0.946353, 0.473176, 0.236588, 1, 0.5].includes(draft.jar)
        ? []
        : [{ value: draft.jar, label: say(draft.jar, 'L') }]),
    ]
  })

  watch(
    () => draft.food,
    (food, was) => {
      if (was === food) return
      draft.kind = ''
      draft.preparations = {}
      if (!amountKinds.value.some((k) => k.value === draft.amountKind))
        draft.amountKind = (amountKinds.value[0]?.value ?? 'meals') as AmountKind
      draft.forms = keeps.value ? ['fresh', 'cellar'] : ['fresh']
      if (putUp.value) made.value = fitting.value[0]?.id ?? ''
    },
  )
  watch(
    () => draft.amountKind,
    () => {
      if (putUp.value && !fitting.value.some((p) => p.id === made.value)) made.value = fitting.value[0]?.id ?? ''
      // What keeps and is wished by the year is grown in one go, as a typed line is.
      if (
        props.isNew &&
        (counts.value === 'weight' || counts.value === 'pieces') &&
        !weekly.value &&
        draft.forms.includes('cellar')
      )
        draft.stagger = 'once'
    },
  )

  watch(
    () => draft.stagger,
    (kind) => {
      if (kind === 'times')
        draft.days = '' // spread evenly, unless the days are said
      else if (kind === 'every' && !draft.days) draft.days = '14'
    },
  )

  function forms(): Form[] {
    if (unweighed.value) return []
    if (putUp.value) return draft.forms.slice(0, 1)
    return draft.forms.filter((f) => possible.value.includes(f))
  }

  function story(): Wish['story'] {
    if (!draft.storied || weekly.value || unweighed.value) return undefined
    const out: NonNullable<Wish['story']> = { had: number('story.had', draft.had, unit.value) }
    if (draft.ranOut) {
      out.from = draft.began
      out.ran_out = draft.ranOut
    } else if (draft.leftThen.trim()) out.left = number('story.left', draft.leftThen, unit.value)
    if (draft.given.trim()) out.given = number('story.given', draft.given, unit.value)
    return out
  }

  /** For whom it is; nothing where it is for everybody. */
  function whom(): Wish['for'] {
    switch (draft.whom) {
      case '':
        return undefined
      case 'people':
        return { people: number('for.people', draft.people) }
      case 'guests':
      case 'animals':
      case 'given':
        return { use: draft.whom }
    }
    return { per: draft.whom as NonNullable<NonNullable<Wish['for']>['per']> }
  }

  /** Whom a wish may be for: meals are for those at the table, pieces and weights for each or for all. */
  const whoms = computed(() =>
    Object.entries(whomWords)
      .filter(([of]) =>
        unweighed.value
          ? ['', 'animals', 'given'].includes(of)
          : draft.amountKind === 'meals'
            ? !['animals', 'given', 'member', 'eater'].includes(of)
            : of !== 'people',
      )
      .map(([value, label]) => ({ value, label })),
  )
  watch(whoms, (may) => {
    if (!may.some((o) => o.value === draft.whom)) draft.whom = ''
  })

  /** Reads a number field; a text that is none is told at the field. */
  function number(name: string, text: string, of = '', blank = NaN): number {
    const v = text.trim() === '' ? blank : read(text, of)
    if (Number.isNaN(v)) numberWrong.value[name] = text.trim() === '' ? 'Wanted: a number.' : `“${text}” is no number.`
    return v
  }

  /** The wish that the fields say; nothing where a field is no number. */
  function toWish(): Wish | undefined {
    numberWrong.value = {}
    const amount = {
      kind: draft.amountKind,
      number: number('amount.number', draft.number, unit.value),
      portion: draft.amountKind === 'meals' ? number('amount.portion', draft.portion, 'g', 0) : 0,
      jar: draft.amountKind === 'jars' ? draft.jar : 0,
    }
    const wish: Wish = {
      id: props.wish.id,
      food: draft.food,
      kind: draft.kind,
      forms: forms(),
      preparations: forms().flatMap((f) => draft.preparations[f] ?? []),
      amount,
      season:
        draft.seasonKind === 'months'
          ? { kind: 'months', from: draft.from, to: draft.to, also: draft.also }
          : { kind: draft.seasonKind },
      for: whom(),
      priority: draft.priority,
      left: weekly.value ? 0 : number('left', draft.left, unit.value, 0),
      stagger: {
        kind: draft.stagger,
        days:
          draft.stagger === 'every'
            ? number('stagger.days', draft.days)
            : draft.stagger === 'times'
              ? number('stagger.days', draft.days, '', 0)
              : 0,
        sowings: number('stagger.sowings', draft.sowings, '', 0),
        early: draft.early && draft.stagger === 'need',
      },
      layout: draft.layout,
      cover: cover(),
      piece: onePiece.value && draft.piece.trim() ? number('piece', draft.piece, 'g') : 0,
      pins: props.wish.pins,
      note: draft.note,
    }
    const told = story()
    if (told) wish.story = told
    if (draft.confidence !== 'usual') wish.confidence = Number(draft.confidence)
    return Object.keys(numberWrong.value).length ? undefined : wish
  }

  return {
    draft,
    numberWrong,
    foods,
    kinds,
    preparations,
    keeps,
    putUp,
    unweighed,
    weekly,
    unit,
    fitting,
    possible,
    made,
    kept,
    onePiece,
    usualPiece,
    usualPortion,
    amountKinds,
    jars,
    whoms,
    toWish,
  }
}
