// Where each kind of entry is sent.
import { answer, api, type State } from './api'
import type { Entry } from './queue'

/** How long an entry waits for its answer before it is kept to be sent again, ms. */
const patience = 15_000

/** Sends an entry; since is the revision at hand, after which the answer tells what has changed. */
export function post(entry: Entry, since: number | undefined): Promise<State> {
  const rest = { params: { query: { since } }, signal: AbortSignal.timeout(patience) }
  if ('turns' in entry) {
    const { client, id, revision, wishes, remove } = entry
    return answer(() => api.POST('/year-turn', { body: { client, id, revision, wishes, remove }, ...rest }))
  }
  if ('text' in entry) return answer(() => api.POST('/daybook-line', { body: entry, ...rest }))
  if ('entries' in entry) return answer(() => api.POST('/entries', { body: entry, ...rest }))
  if ('events' in entry) return answer(() => api.POST('/log-all', { body: entry, ...rest }))
  if ('growing' in entry) return answer(() => api.POST('/growing', { body: entry, ...rest }))
  if ('holds' in entry) return answer(() => api.POST('/hold-places', { body: entry, ...rest }))
  if ('event' in entry) return answer(() => api.POST('/log', { body: entry, ...rest }))
  if ('sowing' in entry) return answer(() => api.POST('/placements', { body: entry, ...rest }))
  return answer(() => api.POST('/edits', { body: entry, ...rest }))
}
