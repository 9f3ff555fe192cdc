// The name of this device, and ids for what it sends.

/** Ids need only differ; the clock and a random part make them so, on http too. */
export function freshId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9))
  return Date.now().toString(36) + '-' + Array.from(bytes, (b) => b.toString(36)).join('')
}

/** The name under which this device sends its edits; made once and remembered. */
export function clientName(): string {
  const kept = localStorage.getItem('inventory.client')
  if (kept) return kept
  const made = freshId()
  localStorage.setItem('inventory.client', made)
  return made
}
