// What was entered while Inventory did not answer: kept on this device, in order,
// through a reload too, and sent when it answers again. Every entry has an id of its
// own, so that one that was sent twice is done once.
import { ref } from 'vue'
import type {
  DaybookLine,
  Edit,
  EntriesAsked,
  GrowingAll,
  HoldAsked,
  Log,
  LogAll,
  PlaceAsk,
  Plan,
  YearTurnAsked,
} from './api'

export type Entry =
  | DaybookLine
  | Edit
  | EntriesAsked
  | GrowingAll
  | (HoldAsked & { holds: true })
  | Log
  | LogAll
  | PlaceAsk
  | (YearTurnAsked & { turns: true })

export interface Waiting {
  entry: Entry
  words: string
}

const prefix = 'inventory.waiting.'
const own = prefix + Math.random().toString(36).slice(2)

/** The waiting entries of this window and of windows that were closed before theirs were sent. */
function kept(): Waiting[] {
  const out: Waiting[] = []
  for (const key of Object.keys(localStorage).filter((k) => k.startsWith(prefix))) {
    try {
      out.push(...(JSON.parse(localStorage.getItem(key) ?? '[]') as Waiting[]))
    } catch {
      // Not readable: nothing in it can be sent.
    }
    localStorage.removeItem(key)
  }
  return out.sort((a, b) => a.entry.revision - b.entry.revision)
}

export function useQueue() {
  const waiting = ref<Waiting[]>(kept())
  const sent: string[] = [] // ids of this run of entries that were sent already

  function save() {
    if (waiting.value.length) localStorage.setItem(own, JSON.stringify(waiting.value))
    else {
      localStorage.removeItem(own)
      sent.length = 0
    }
  }
  save()

  return {
    waiting,
    add(entry: Entry, words: string) {
      waiting.value = [...waiting.value, { entry, words }]
      save()
    },
    /** The first entry, saying which of this device's own it follows. */
    first(): Entry | undefined {
      const w = waiting.value[0]
      return w && { ...w.entry, follows: sent.slice(-1000) }
    },
    /** Forgets the first entry: it was sent, and taken or refused. */
    drop(): Waiting | undefined {
      const [first, ...rest] = waiting.value
      if (first) sent.push(first.entry.id)
      waiting.value = rest
      save()
      return first
    },
  }
}

/** Says an entry in a few words, for the list of those that wait. */
export function entryWords(entry: Entry, plan?: Plan): string {
  const sowing = (id: string) => plan?.sowings.find((s) => s.id === id)?.crop_name ?? id
  if ('event' in entry) {
    const e = entry.event
    const task = plan?.sowings.find((s) => s.id === e.sowing)?.tasks.find((t) => t.what === e.task)
    return [task?.do ?? e.what, sowing(e.sowing), e.day].filter(Boolean).join(' ')
  }
  if ('text' in entry) return entry.text
  if ('entries' in entry) return `${entry.entries.length} things that happened`
  if ('events' in entry) return `what became of ${entry.events.length} sowings`
  if ('growing' in entry) return `${entry.growing.length} things that grow`
  if ('holds' in entry) return 'keep every bed as it is'
  if ('turns' in entry) return 'begin the next year'
  if ('sowing' in entry) return 'put ' + sowing(entry.sowing) + ' in a bed'
  return entry.command.replaceAll('-', ' ') + (entry.wish ? ': ' + entry.wish.food : '')
}
