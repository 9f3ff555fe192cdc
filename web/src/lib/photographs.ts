// Photographs: made smaller on this device before they are sent, and where they are shown from.
import { api, answer, Refused } from './api'
import { wordsOf } from './problems'

/** The longer side of what is sent, pixels; the binary keeps no larger ones. */
const side = 1600
const quality = 0.82

/** How long a photograph may take to be sent, ms. */
const patience = 60_000

/** Where a photograph is shown from. */
export const photograph = (id: string, small = false) =>
  `/api/photographs/${encodeURIComponent(id)}${small ? '?small=true' : ''}`

/** Draws a photograph upright and no larger than it is shown; only the picture goes over. */
async function shrunk(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const share = Math.min(1, side / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * share))
  canvas.height = Math.max(1, Math.round(picture.height * share))
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const out = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', quality))
  if (!out) throw new Error('not drawn')
  return out
}

/** Sends a photograph and returns its id, or says why it cannot be kept. */
export async function sendPhotograph(file: File): Promise<{ id?: string; wrong?: string }> {
  if (!file.size) return { wrong: `${file.name} is empty. Choose a photograph.` }
  let body: Blob
  try {
    body = await shrunk(file)
  } catch {
    return { wrong: `${file.name} cannot be read as a photograph. Choose a JPEG, PNG or WebP file.` }
  }
  try {
    const sent = await answer(() =>
      api.POST('/photographs', {
        body: body as unknown as string, // the contract has bytes, which are sent as they are
        bodySerializer: (b: unknown) => b as Blob,
        headers: { 'Content-Type': body.type },
        signal: AbortSignal.timeout(patience),
      }),
    )
    return { id: sent.id }
  } catch (e) {
    if (e instanceof Refused) return { wrong: `${file.name}: ${wordsOf(e.problem)}` }
    return { wrong: `${file.name} was not sent, because Inventory cannot be reached. Choose it again later.` }
  }
}
