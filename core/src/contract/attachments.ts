import { z } from 'zod'

// Attachments: the sounds and pictures of a copy. They travel beside the events that name them, in pieces.

/** The most bytes of an attachment, and the bytes of every piece of it but the last. */
export const MOST_ATTACHMENT_BYTES = 8 * 1024 * 1024
export const PIECE_BYTES = 256 * 1024

/** What school has of an attachment: all of it, looked at and kept (`whole`), or so many bytes from its start. */
export const attachmentArrived = z.object({ arrived: z.number().int().min(0), whole: z.boolean() })
export type AttachmentArrived = z.infer<typeof attachmentArrived>

/** A piece of an attachment of `size` bytes: those from `from` to `to`, both included. */
export interface Piece {
  readonly from: number
  readonly to: number
  readonly size: number
}

/** What a request that brings a piece says of it (Content-Range, RFC 9110, 14.4 and 14.5). */
export const sayPiece = ({ from, to, size }: Piece): string => `bytes ${from}-${to}/${size}`

/** Reads what `sayPiece` says; nothing where it is no piece: too large, or not where pieces begin and end. */
export function readPiece(header: string): Piece | undefined {
  const [, ...numbers] = /^bytes (\d{1,9})-(\d{1,9})\/(\d{1,9})$/.exec(header) ?? []
  if (numbers.length === 0) return undefined
  const [from, to, size] = numbers.map(Number) as [number, number, number]
  const ends = Math.min(from + PIECE_BYTES, size) - 1
  return from % PIECE_BYTES === 0 && from < size && to === ends ? { from, to, size } : undefined
}

/** The piece of `size` bytes that comes after the first `arrived`. */
export const pieceAfter = (arrived: number, size: number): Piece => ({
  from: arrived,
  to: Math.min(arrived + PIECE_BYTES, size) - 1,
  size,
})
