// The state put together from an older one and what has changed since. Things that are the
// same keep their identity, so that only what shows a change is painted again.
import type { State, StatePart } from './api'

type Named = Record<string, unknown>

/** The list that a part tells: its new things, and the old ones that are the same. */
function listOf(part: StatePart, was: Named[]): Named[] {
  const key = part.key ?? 'id'
  const things = new Map(was.map((t) => [t[key] as string, t]))
  for (const t of (part.items ?? []) as Named[]) things.set(t[key] as string, t)
  return (part.names ?? []).map((name) => things.get(name)).filter((t) => t !== undefined)
}

/** The state after what an answer tells of it; undefined where it tells of another revision than the one at hand. */
export function merged(was: State | undefined, answer: State): State | undefined {
  if (!answer.parts) return answer
  if (!was?.household || !was.plan || was.revision !== answer.from) return undefined
  const whole = { household: { ...was.household } as Named, plan: { ...was.plan } as Named }
  for (const part of answer.parts) {
    const [of, field] = part.path.split('.') as ['household' | 'plan', string]
    whole[of][field] = part.names ? listOf(part, (whole[of][field] ?? []) as Named[]) : part.value
  }
  const now = { ...answer, household: whole.household, plan: whole.plan } as unknown as State
  delete now.parts
  delete now.from
  return now
}
