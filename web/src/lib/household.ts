// The one state of the application: the household with its plan, and the edits.
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  answer,
  api,
  Refused,
  type Edit,
  type Growing,
  type Happened,
  type Move,
  type Problem,
  type Wish,
  type Reference,
  type SowingEvent,
  type State,
  type Tally,
} from './api'
import { clientName, freshId } from './client'
import { merged } from './parts'
import { post } from './post'
import { wordsOf } from './problems'
import { entryWords, useQueue, type Entry } from './queue'

type Change = Omit<Edit, 'client' | 'id' | 'revision'>

export const useHousehold = defineStore('household', () => {
  const state = shallowRef<State>()
  const reference = shallowRef<Reference>()
  const before = shallowRef<Tally>()
  const notice = ref('')
  const problem = shallowRef<Problem>()
  const busy = ref(0)
  const queue = useQueue()
  const refused = shallowRef<{ words: string; why: string }[]>([])
  const moves = shallowRef<Move[]>([])
  const client = clientName()

  async function load() {
    try {
      const [s, r] = await Promise.all([
        answer(() => api.GET('/state', { params: { query: { since: state.value?.revision } } })),
        reference.value ? Promise.resolve(reference.value) : answer(() => api.GET('/reference')),
      ])
      reference.value = r
      state.value = merged(state.value, s) ?? (await answer(() => api.GET('/state')))
      problem.value = undefined
    } catch (e) {
      report(e)
    }
  }

  /** Fetches the names of the book anew: the household's own are among them. */
  async function renew() {
    reference.value = await answer(() => api.GET('/reference'))
  }

  function report(e: unknown) {
    if (e instanceof Refused) problem.value = e.problem
    else throw e
  }

  async function take(s: State) {
    const now = merged(state.value, s)
    if (!now) return load() // it tells of another revision than the one here
    before.value = s.before
    state.value = now
    notice.value = s.words
    moves.value = s.moves ?? []
    problem.value = undefined
  }

  /** Does an entry; returns what was wrong with it. One that gets no answer waits, and is not wrong. */
  async function send(entry: Entry): Promise<Problem | undefined> {
    if (queue.waiting.value.length) {
      queue.add(entry, entryWords(entry, state.value?.plan))
      await flush()
      return undefined
    }
    busy.value++
    try {
      await take(await post(entry, state.value?.revision))
      if ('command' in entry && /own-|begin|unknown|call-it/.test(entry.command)) await renew()
      return undefined
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      const p = e.problem
      if (p.status === 0 && state.value?.household) {
        queue.add(entry, entryWords(entry, state.value?.plan))
        return undefined
      }
      if (p.status === 409) await load()
      if (p.status !== 422) problem.value = p // a mistake in a field is told at the field
      return p
    } finally {
      busy.value--
    }
  }

  /** Sends what waits, in its order, as far as it is answered. */
  let flushing = false
  async function flush(): Promise<void> {
    if (flushing || !queue.waiting.value.length) return
    flushing = true
    busy.value++
    let done = 0
    try {
      for (let next = queue.first(); next; next = queue.first()) {
        try {
          await take(await post(next, state.value?.revision))
        } catch (e) {
          if (!(e instanceof Refused)) throw e
          if (e.problem.status === 0) return // still no answer: it all waits on
          const words = queue.waiting.value[0]?.words ?? ''
          refused.value = [...refused.value, { words, why: wordsOf(e.problem) }]
        }
        queue.drop()
        done++
      }
      await renew()
      await load()
      notice.value = `Inventory answers again: ${done === 1 ? 'what waited was' : `all ${done} entries that waited were`} sent`
    } finally {
      flushing = false
      busy.value--
    }
  }

  /** Whether an entry of this sowing and task waits to be sent. */
  function waitsFor(id: string, task: string): boolean {
    return queue.waiting.value.some(
      ({ entry }) => 'event' in entry && entry.event.sowing === id && entry.event.task === task,
    )
  }

  // Edits go one after the other: one that follows quickly is made against what
  // the one before has left, and does not clash with it.
  let turn: Promise<unknown> = Promise.resolve()
  function inTurn<T>(run: () => Promise<T>): Promise<T> {
    const mine = turn.then(run, run)
    turn = mine.catch(() => undefined)
    return mine
  }
  const stamp = () => ({ client, id: freshId(), revision: state.value?.revision ?? 0 })

  /** Does one edit; returns what was wrong with it, if anything. */
  function edit(change: Change): Promise<Problem | undefined> {
    return inTurn(() => send({ ...change, ...stamp() }))
  }

  /** Puts down what was done to a sowing or seen of it. */
  function log(event: SowingEvent): Promise<Problem | undefined> {
    return inTurn(() => send({ event, ...stamp() }))
  }

  /** Puts down what was done to several sowings, as one edit. */
  function logAll(events: SowingEvent[]): Promise<Problem | undefined> {
    return inTurn(() => send({ events, ...stamp() }))
  }

  /** Puts down what grows already, or is to be begun, as one edit. */
  const grow = (growing: Growing[]): Promise<Problem | undefined> => inTurn(() => send({ growing, ...stamp() }))

  /** Records what happened: a line of the daybook, or entries. */
  const record = (what: { text: string; photos?: string[] } | { entries: Happened[] }): Promise<Problem | undefined> =>
    inTurn(() => send({ ...what, ...stamp() }))

  /** Holds every place in the beds as the layout has it now. */
  const hold = (): Promise<Problem | undefined> => inTurn(() => send({ holds: true, ...stamp() }))

  /** Begins the next table year, with wishes that were changed for it and without others. */
  function turnYear(wishes: Wish[], remove: string[]): Promise<Problem | undefined> {
    return inTurn(() => send({ turns: true, wishes, remove, ...stamp() }))
  }

  /** Puts a sowing in a bed by hand. */
  function place(sowing: string, bed: string, bend = false, at?: number): Promise<Problem | undefined> {
    return inTurn(() => send({ sowing, bed, bend, at, ...stamp() }))
  }

  /** Puts down that a sowing stands where the layout has it. */
  function stays(sowing: string): Promise<Problem | undefined> {
    return inTurn(() => send({ sowing, bed: '', stays: true, ...stamp() }))
  }

  /** Tries once more to reach Inventory. */
  async function again() {
    if (queue.waiting.value.length) await inTurn(flush)
    else await load()
  }

  async function step(path: '/undo' | '/redo') {
    const of = path === '/undo' ? state.value?.undo : state.value?.redo
    if (!of) return
    busy.value++
    try {
      const own = JSON.stringify([state.value?.household?.own_crops, state.value?.household?.own_preparations])
      const body = { client, id: freshId(), revision: of.revision, edit: of.edit }
      const params = { query: { since: state.value?.revision } }
      await take(await answer(() => api.POST(path, { body, params })))
      const now = JSON.stringify([state.value?.household?.own_crops, state.value?.household?.own_preparations])
      if (own !== now) await renew()
    } catch (e) {
      report(e)
      if (e instanceof Refused && e.problem.status === 409) {
        const told = e.problem
        await load()
        problem.value = told
      }
    } finally {
      busy.value--
    }
  }

  return {
    state,
    reference,
    before,
    notice,
    moves,
    problem,
    busy,
    waiting: queue.waiting,
    refused,
    household: computed(() => state.value?.household),
    plan: computed(() => state.value?.plan),
    /** Every crop of the book, the household's own among them. */
    crops: computed(() => (reference.value?.foods ?? []).flatMap((f) => f.kinds.map((k) => ({ ...k, food: f.name })))),
    load,
    edit,
    log,
    logAll,
    grow,
    record,
    hold,
    turnYear,
    place,
    stays,
    again,
    waitsFor,
    undo: () => inTurn(() => step('/undo')),
    redo: () => inTurn(() => step('/redo')),
  }
})
