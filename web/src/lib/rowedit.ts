// A list whose rows are edited where they stand: each row has its own draft and
// its own message, and is sent when a field of it is left.
import { reactive, watch } from 'vue'
import type { Problem } from './api'
import { otherErrors } from './household'

export function useRows<T extends { id: string }>(list: () => T[], send: (row: T) => Promise<Problem | undefined>) {
  const rows = reactive<{ value: T; sent: string; wrong: string }[]>([])

  watch(
    list,
    (now) => {
      const kept = new Map(rows.map((r) => [r.value.id, r]))
      const next = now.map((item) => {
        const json = JSON.stringify(item)
        const old = kept.get(item.id)
        // A row with a mistake in it keeps what was typed.
        if (old && (old.sent === json || old.wrong)) return old
        return { value: JSON.parse(json) as T, sent: json, wrong: '' }
      })
      rows.splice(0, rows.length, ...(next as typeof rows))
    },
    { immediate: true },
  )

  async function save(i: number) {
    const row = rows[i]
    if (!row) return
    const json = JSON.stringify(row.value)
    if (json === row.sent) {
      row.wrong = ''
      return
    }
    const p = await send(JSON.parse(json) as T)
    if (p) row.wrong = otherErrors(p) || p.detail
    else {
      row.sent = json
      row.wrong = ''
    }
  }

  return { rows, save }
}
