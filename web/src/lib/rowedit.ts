// A list whose rows are edited where they stand: each row has its own draft and
// its own message, and is sent when a field of it is left.
import { reactive, ref, watch } from 'vue'
import type {
  CareStep,
  Chore,
  Edit,
  Guest,
  Lot,
  Measure,
  Member,
  OwnCrop,
  OwnPreparation,
  Patch,
  Problem,
  Sighting,
  Store,
} from './api'
import { useHousehold } from './household'
import { otherErrors } from './problems'

/** The lists of the household that are edited row by row. */
interface Lists {
  member: Member
  guest: Guest
  store: Store
  lot: Lot
  patch: Patch
  measure: Measure
  'care-step': CareStep
  chore: Chore
  sighting: Sighting
  'own-crop': OwnCrop
  'own-preparation': OwnPreparation
}

export function useRows<K extends keyof Lists>(kind: K, list: () => Lists[K][]) {
  type Row = Lists[K]
  const store = useHousehold()
  const rows = reactive<{ value: Row; sent: string; wrong: string }[]>([])
  const wrong = ref('') // of adding and removing

  watch(
    list,
    (now) => {
      const kept = new Map(rows.map((r) => [r.value.id, r]))
      const next = now.map((item) => {
        const json = JSON.stringify(item)
        const old = kept.get(item.id)
        // A row with a mistake in it keeps what was typed.
        if (old && (old.sent === json || old.wrong)) return old
        return { value: JSON.parse(json) as Row, sent: json, wrong: '' }
      })
      rows.splice(0, rows.length, ...(next as typeof rows))
    },
    { immediate: true },
  )

  const told = (p: Problem | undefined) => (p ? otherErrors(p) || p.detail : '')
  const send = (verb: 'add' | 'change', value: Row) =>
    store.edit({ command: `${verb}-${kind}` as Edit['command'], [kind.replaceAll('-', '_')]: value })

  async function save(i: number) {
    const row = rows[i]
    if (!row) return
    const json = JSON.stringify(row.value)
    if (json === row.sent) {
      row.wrong = ''
      return
    }
    row.wrong = told(await send('change', JSON.parse(json) as Row))
    if (!row.wrong) row.sent = json
  }

  /** Adds a row; tells whether it stands. */
  async function add(value: Row): Promise<boolean> {
    wrong.value = told(await send('add', value))
    return !wrong.value
  }

  async function remove(id: string) {
    wrong.value = told(await store.edit({ command: `remove-${kind}` as Edit['command'], target: id }))
  }

  return { rows, wrong, save, add, remove }
}
