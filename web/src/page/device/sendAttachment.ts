import { type AttachmentArrived, PIECE_BYTES, type Piece, pieceAfter } from '@hand-back/core'

/** The way of one attachment to school. */
export interface AttachmentWay {
  standing(): Promise<AttachmentArrived>
  send(bytes: Blob, piece: Piece): Promise<AttachmentArrived>
}

/**
 * Brings an attachment to school, piece by piece, from where it broke off before. Throws what the way
 * throws; what has arrived by then need not be sent again.
 */
export async function sendAttachment(way: AttachmentWay, bytes: Blob): Promise<void> {
  // What fits into one piece is sent without asking.
  let at = bytes.size > PIECE_BYTES ? await way.standing() : { arrived: 0, whole: false }
  while (!at.whole) {
    const piece = pieceAfter(at.arrived, bytes.size)
    const now = await way.send(bytes.slice(piece.from, piece.to + 1), piece)
    if (!now.whole && now.arrived <= at.arrived) throw new Error('school and this device do not agree')
    at = now
  }
}
