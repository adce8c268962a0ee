import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { answering, streamed } from '../http/answering.ts'
import { Packers } from './packers.ts'
import { piecesOf } from './pieces.ts'

/** What people take away, packed while they go on. */
export function parcelRoutes(context: Context, packers = new Packers(context)): Router {
  const { db, log } = context
  const router = Router()
  answering(router, CALLS.wishParcel, ({ person, sent }) => packers.wish(person, sent))
  answering(router, CALLS.parcels, ({ person }) => packers.of(person))
  streamed(router, CALLS.parcelFile, async ({ person, ids, request, response }) => {
    const { file, bytes } = await packers.packed(person, ids.parcel)
    response
      .attachment(file)
      .type(file.endsWith('.zip') ? 'application/zip' : 'application/pdf')
      .set('Content-Length', String(bytes))
    log.info({ request: request.id, person: person.id, parcel: ids.parcel }, 'parcel taken away')
    try {
      await pipeline(Readable.from(piecesOf(db, ids.parcel)), response)
    } catch (error) {
      // Whoever closes the tab wants no more of it.
      if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
    }
  })
  answering(router, CALLS.dropParcel, ({ person, ids }) => packers.drop(person, ids.parcel))
  return router
}
