// A wish while it is edited: its fields, and what may be chosen for its food.
import { computed, inject, provide, reactive, ref, watch, type InjectionKey, type Ref } from 'vue'
import type { Form, Problem, Wish } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { fieldError } from '../../lib/problems'
import { amountKind, amountKinds as everyAmountKind, type AmountKind } from '../../lib/facts'
import { useUnits } from '../../lib/units'
import { fieldsOf, wishOf, type Facts } from './wishfields'

/** The unit in which a person enters the number of an amount kind; empty: it has none. */
function unitOf(kind: string): string {
  const unit = amountKind(kind)?.unit ?? ''
  return ['kg', 'L', 'm²', 'm'].includes(unit) ? unit : ''
}

/** For whom a wish is, as one choice. */
export const whomWords: Record<string, string> = {
  '': 'everybody',
  people: 'some of us',
  member: 'each person who lives here',
  eater: 'each person',
  child: 'each child and teen',
  infant: 'each child under 3',
  guests: 'the guests',
  animals: 'the animals',
  given: 'to give away',
}

export type WishDraft = ReturnType<typeof makeDraft>
const key: InjectionKey<WishDraft> = Symbol('the wish that is edited')

/** The draft of the wish that is edited, for the parts of its editor. */
export function useDraft(): WishDraft {
  return inject(key)!
}

/** Makes the draft of a wish, and hands it to the parts of the editor. `problem` is what
 * was wrong with it when it was saved. */
export function useWishDraft(props: { wish: Wish; isNew?: boolean }, problem: Ref<Problem | undefined>): WishDraft {
  const draft = makeDraft(props, problem)
  provide(key, draft)
  return draft
}

function makeDraft(props: { wish: Wish; isNew?: boolean }, problem: Ref<Problem | undefined>) {
  const store = useHousehold()
  const { entry, read, shown, say, system } = useUnits()
  const facts: Facts = {
    unitOf,
    formOf: (id) => store.reference?.preparations.find((p) => p.id === id)?.form,
    entry,
    read,
  }
  const draft = reactive(fieldsOf(props.wish, facts))
  const numberWrong = ref<Record<string, string>>({})
  const at = (...fields: string[]) => numberWrong.value[fields[0] ?? ''] || fieldError(problem.value, ...fields)

  // After an edit from elsewhere, or another system of units, the fields follow.
  watch([() => props.wish, system], () => Object.assign(draft, fieldsOf(props.wish, facts)))

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
    const known = store.reference?.jars ?? []
    return [
      { value: 0, label: usual ? `usual: ${usual.jar}` : 'usual jar' },
      ...known.map((j) => ({ value: j.litre, label: j.name })),
      ...(draft.jar === 0 || known.some((j) => j.litre === draft.jar)
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

  /** The wish that the fields say; nothing where a field is no number. */
  function toWish(): Wish | undefined {
    const chosen = {
      unit: unit.value,
      weekly: weekly.value,
      unweighed: unweighed.value,
      putUp: putUp.value,
      onePiece: onePiece.value,
      possible: possible.value,
    }
    const { wish, wrong } = wishOf(draft, props.wish, chosen, facts)
    numberWrong.value = wrong
    return Object.keys(wrong).length ? undefined : wish
  }

  return {
    draft,
    at,
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
