// The layout of the ground: fetched after the plan, and told as old until the new
// one is there; and a sowing that is being moved about on it.
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch, watchEffect } from 'vue'
import { api, type Bed, type Choice, type FedWish, type Layout, type Piece, type Plan } from './api'
import { useAnswer } from './ask'
import { useHousehold } from './household'
import { useUnits } from './units'
import { count } from './words'

export const useGround = defineStore('ground', () => {
  const store = useHousehold()
  const { data: layout, wrong } = useAnswer(
    'layout',
    () => !!store.household || undefined,
    (_, signal) => api.GET('/layout', { signal }),
  )

  /** What stands in the ground already, in a bed that nobody has said yet. */
  const unsaid = computed(() => {
    const said = new Set((store.household?.placements ?? []).filter((p) => p.stands).map((p) => p.sowing))
    return (store.plan?.sowings ?? []).filter((s) => s.in_bed && !said.has(s.id))
  })
  /** What of the plan has ground; nothing where there is no bed yet. */
  const fed = computed(() => layout.value?.fed)
  /** The wishes that lack ground. One that lacks the same as before stays the same thing, so that its row is not painted again. */
  const short = computed<Map<string, FedWish>>((was) => {
    const kept = (w: FedWish) => {
      const before = was?.get(w.wish)
      return before && JSON.stringify(before) === JSON.stringify(w) ? before : w
    }
    return new Map((fed.value?.wishes ?? []).map((w) => [w.wish, kept(w)]))
  })
  /** What the plan loses for want of ground, of the last layout that was worked out: while a new
   * one is, it stays as it was, so that the page does not jump. */
  const lost = shallowRef({ weeks: 0, jars: 0, sowings: 0 })
  watchEffect(() => {
    const t = store.plan?.tally
    if (!t || layout.value?.revision !== store.state?.revision) return
    const f = fed.value
    lost.value = f
      ? { weeks: t.weeks_fed - f.weeks_fed, jars: t.jars - f.jars, sowings: f.sowings }
      : { weeks: 0, jars: 0, sowings: 0 }
  })
  /** Whether what takes ground stands there, is planned, or was to be begun and is not put down. */
  const states = computed(
    () =>
      new Map<string, 'stands' | 'overdue' | 'planned'>(
        (store.plan?.sowings ?? []).map((s) => [
          s.id,
          s.in_bed ? 'stands' : s.late && !s.begun ? 'overdue' : 'planned',
        ]),
      ),
  )
  /** Holds every place as it is now, where none is held yet: somebody relies on what is told. */
  async function holdOnce() {
    const l = layout.value
    if (l && !l.held && l.pieces.length && l.revision === store.state?.revision) await store.hold()
  }
  const names = computed(() => new Map((store.plan?.sowings ?? []).map((s) => [s.id, s.crop_name])))
  return {
    layout,
    wrong,
    names,
    unsaid,
    holdOnce,
    stateOf: (planting: string) => states.value.get(planting) ?? 'planned',
    fed,
    lost,
    /** What of a wish has ground, where it lacks some. */
    shortOf: (wish: string) => short.value.get(wish),
    /** Whether the layout is of the plan before: it is being fitted anew. */
    old: computed(() => layout.value?.revision !== store.state?.revision),
    bedName: (id: string) => store.household?.beds.find((b) => b.id === id)?.name ?? '',
  }
})

/** Says in which bed a sowing stands, and from where on: what one wants to know in
 * the garden. Nothing where it has no ground. */
export function useWhere() {
  const ground = useGround()
  const { say } = useUnits()
  return (...sowings: string[]) => {
    const at = (ground.layout?.pieces ?? []).filter((p) => sowings.includes(p.planting))
    const words = at.map((p) => `${ground.bedName(p.bed)} from ${say(p.at, 'm')} on`)
    return words.length > 3 ? `${count(new Set(at.map((p) => p.bed)).size, 'bed')}` : words.join(', ')
  }
}

/** Asks how a sowing would do in every bed; nothing while none is named. */
export function useLook(sowing: () => string) {
  return useAnswer(
    'ground-look',
    () => sowing() || undefined,
    (id, signal) => api.GET('/ground-look', { params: { query: { sowing: id } }, signal }),
    (was, now) => was === now,
  )
}

/** A sowing that is being moved: where it is held over the ground, and what the
 * rules say to that. */
export const useMoving = defineStore('moving', () => {
  const store = useHousehold()
  const sowing = ref('')
  const bed = ref('')
  const at = ref(0)
  const { data: look, problem } = useLook(() => sowing.value)
  watch(problem, (p) => {
    if (!p) return
    store.problem = p
    leave()
  })

  function begin(p: Piece) {
    sowing.value = p.planting
    bed.value = p.bed
    at.value = p.at
  }
  function leave() {
    sowing.value = ''
  }
  const choice = computed<Choice | undefined>(() => look.value?.choices.find((c) => c.bed === bed.value))
  const target = computed<Bed | undefined>(() => store.household?.beds.find((b) => b.id === bed.value))
  const length = computed(() => choice.value?.length ?? 0)
  /** Holds it over a place of a bed, within the bed's ends. */
  function over(id: string, place: number) {
    bed.value = id
    const most = (target.value?.length ?? 0) - length.value
    at.value = Math.max(0, Math.min(most, Math.round(place * 20) / 20))
  }
  const free = computed(() =>
    (choice.value?.free ?? []).some((f) => f.from <= at.value + 0.002 && at.value + length.value <= f.to + 0.002),
  )
  const verdict = computed<'free' | 'room' | 'bend' | 'no' | ''>(() => {
    const c = choice.value
    if (!c) return ''
    if (c.refused) return 'no'
    if (c.bend) return 'bend'
    return free.value ? 'free' : 'room'
  })
  async function put(bend: boolean) {
    const problem = await store.place(sowing.value, bed.value, bend, at.value)
    if (!problem) leave()
    return problem
  }
  return { sowing, bed, at, look, choice, target, length, verdict, begin, leave, over, put }
})

/** What has found no ground, the most needed first, each with its sowing. */
export function leftOut(layout: Layout | undefined, plan: Plan | undefined) {
  const of = new Map((plan?.sowings ?? []).map((s) => [s.id, s]))
  return (layout?.left ?? []).map((l) => ({ ...l, s: of.get(l.planting) })).sort((a, b) => b.need - a.need)
}

/** What families stood in a bed, year by year, wherever in it they stood. */
export function stoodIn(b: Bed): { year: number; families: string[] }[] {
  const years = new Map<number, Set<string>>()
  for (const s of b.stood ?? []) {
    const of = years.get(s.year) ?? new Set()
    s.families.forEach((f) => of.add(f))
    years.set(s.year, of)
  }
  return [...years].map(([year, of]) => ({ year, families: [...of].sort() })).sort((a, b) => a.year - b.year)
}

/** The classes of sun, in words. */
export const sunWords: Record<string, string> = {
  full: 'full sun',
  part: '4 to 6 h of sun',
  shade: 'less than 4 h of sun',
}
