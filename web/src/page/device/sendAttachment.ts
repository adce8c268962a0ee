import { type AttachmentArrived, CHUNK_BYTES, type Chunk, chunkAfter } from '@hand-back/core'

/** The way of one attachment to school. */
export interface AttachmentWay {
  standing(): Promise<AttachmentArrived>
  send(bytes: Blob, chunk: Chunk): Promise<AttachmentArrived>
}

/**
 * Brings an attachment to school, chunk by chunk, from where it broke off before. Throws what the way
 * throws; what has arrived by then need not be sent again.
 */
export async function sendAttachment(way: AttachmentWay, bytes: Blob): Promise<void> {
  // What fits into one chunk is sent without asking.
  let at = bytes.size > CHUNK_BYTES ? await way.standing() : { arrived: 0, whole: false }
  while (!at.whole) {
    const chunk = chunkAfter(at.arrived, bytes.size)
    const now = await way.send(bytes.slice(chunk.from, chunk.to + 1), chunk)
    if (!now.whole && now.arrived <= at.arrived) throw new Error('school and this device do not agree')
    at = now
  }
}
