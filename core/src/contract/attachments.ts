import { z } from 'zod'

// Attachments: the sounds and pictures of a copy. They travel beside the events that name them, in chunks.

/** The most bytes of an attachment: an hour of speech has fifteen million, five minutes of film twenty-five. */
export const MOST_ATTACHMENT_BYTES = 32 * 1024 * 1024
/** The bytes of every chunk of it but the last, as it travels and as it is stored. */
export const CHUNK_BYTES = 256 * 1024

/** What school has of an attachment: all of it, looked at and kept (`whole`), or so many bytes from its start. */
export const attachmentArrived = z.object({ arrived: z.number().int().min(0), whole: z.boolean() })
export type AttachmentArrived = z.infer<typeof attachmentArrived>

/** A chunk of an attachment of `size` bytes: those from `from` to `to`, both included. */
export interface Chunk {
  readonly from: number
  readonly to: number
  readonly size: number
}

/** What a request that brings a chunk says of it (Content-Range, RFC 9110, 14.4 and 14.5). */
export const sayChunk = ({ from, to, size }: Chunk): string => `bytes ${from}-${to}/${size}`

/** Reads what `sayChunk` says; nothing where it is no chunk: too large, or not where chunks begin and end. */
export function readChunk(header: string): Chunk | undefined {
  const [, ...numbers] = /^bytes (\d{1,9})-(\d{1,9})\/(\d{1,9})$/.exec(header) ?? []
  if (numbers.length === 0) return undefined
  const [from, to, size] = numbers.map(Number) as [number, number, number]
  const ends = Math.min(from + CHUNK_BYTES, size) - 1
  return from % CHUNK_BYTES === 0 && from < size && to === ends ? { from, to, size } : undefined
}

/** The chunk of `size` bytes that comes after the first `arrived`. */
export const chunkAfter = (arrived: number, size: number): Chunk => ({
  from: arrived,
  to: Math.min(arrived + CHUNK_BYTES, size) - 1,
  size,
})
