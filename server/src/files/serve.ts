import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Request, Response } from 'express'
import type { Database } from '../db/connect.ts'
import type { Asked } from '../http/as.ts'
import { readFile, type StoredFile } from './store.ts'

/** A part of a file, both ends included. */
export interface ByteRange {
  readonly from: number
  readonly to: number
}

/**
 * Reads a Range header for a file of `size` bytes (RFC 9110, 14.2). `undefined`: send the whole
 * (no range, several ranges, or one that is not understood); `'outside'`: answer 416.
 */
export function byteRange(header: string | undefined, size: number): ByteRange | 'outside' | undefined {
  const match = /^bytes=(\d*)-(\d*)$/.exec(header ?? '')
  if (!match || (match[1] === '' && match[2] === '')) return undefined
  if (match[1] === '') {
    const last = Number(match[2])
    return last === 0 ? 'outside' : { from: Math.max(0, size - last), to: size - 1 }
  }
  const from = Number(match[1])
  const to = match[2] === '' ? size - 1 : Math.min(Number(match[2]), size - 1)
  return from >= size ? 'outside' : to < from ? undefined : { from, to }
}

/**
 * How long a browser may keep a file, which never changes under its name. A student's tablet is often
 * everybody's: there only the service worker keeps files, which empties its shelf at signing out.
 */
function keeps(request: Request): string {
  return (request as Partial<Asked>).person?.role === 'teacher'
    ? 'private, max-age=31536000, immutable'
    : 'no-store'
}

/** Sends a stored file, or the range asked for, in constant memory. It can never run as a page. */
export async function sendFile(
  db: Database,
  request: Request,
  response: Response,
  file: StoredFile,
): Promise<void> {
  response.set({
    'Content-Type': file.type,
    'Accept-Ranges': 'bytes',
    ETag: `"${file.sha256}"`,
    'Cache-Control': keeps(request),
    'Content-Security-Policy': "default-src 'none'; sandbox",
    'X-Content-Type-Options': 'nosniff',
    'Content-Disposition': 'inline',
  })
  if (request.headers['if-none-match'] === `"${file.sha256}"`) {
    response.status(304).end()
    return
  }
  const range = byteRange(request.headers.range, file.size)
  if (range === 'outside') {
    response.status(416).set('Content-Range', `bytes */${file.size}`).end()
    return
  }
  if (range) response.status(206).set('Content-Range', `bytes ${range.from}-${range.to}/${file.size}`)
  const { from, to } = range ?? { from: 0, to: file.size - 1 }
  response.set('Content-Length', String(to - from + 1))
  if (request.method === 'HEAD') {
    response.end()
    return
  }
  await pipeline(Readable.from(readFile(db, file, from, to)), response).catch((error) => {
    // The reader went away: nothing is wrong here.
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
  })
}
