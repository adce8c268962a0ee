import { CALLS, COPY_FORMATS, type CopyFormatName, printing, Refused } from '@hand-back/core'
import { type Request, type Response, Router } from 'express'
import type { Context } from '../context.ts'
import { answering, streamed } from '../http/answering.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { ownWorksheet } from '../worksheets/index.ts'
import { copyToShelf } from './copyToShelf.ts'
import { handoutAsPdf } from './handoutAsPdf.ts'
import { looksOf } from './looks.ts'
import type { Made } from './made.ts'
import { MAKERS } from './makers.ts'
import { PagePictures } from './pagePictures.ts'
import type { Pictures } from './pictures.ts'
import { worksheetAsPdf } from './worksheetAsPdf.ts'

/** Where copies, hand-outs and worksheets are taken away in open formats. */
export function formatRoutes(context: Context, pictures: Pictures): Router {
  const router = Router()
  const send = (response: Response, { name, bytes }: Made, type: string, ending: string) =>
    response
      .set('Content-Type', type)
      .attachment(`${name}.${ending}`)
      .send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength))

  for (const format of Object.keys(COPY_FORMATS) as CopyFormatName[]) {
    const { who, type, ending } = COPY_FORMATS[format]
    router.get(`/copies/:copy/${format}`, as(who), async (request, response) => {
      const [person, copy] = [whoAsks(request), idIn(request, 'copy')]
      const made = await MAKERS[format](context, person, copy, wantedIn(request))
      context.log.info({ request: request.id, person: person.id, copy, format }, 'copy taken away')
      send(response, made, type, ending)
    })
  }

  const { type, ending } = COPY_FORMATS.pdf
  streamed(router, CALLS.handoutPdf, async ({ person, ids, request, response }) => {
    const made = await handoutAsPdf(context, person, ids.handout, wantedIn(request))
    context.log.info({ request: request.id, person: person.id, handout: ids.handout }, 'hand-out taken away')
    send(response, made, type, ending)
  })
  streamed(router, CALLS.worksheetPdf, async ({ person, ids, request, response }) => {
    send(response, await worksheetAsPdf(context, person, ids.worksheet, wantedIn(request)), type, ending)
  })
  streamed(router, CALLS.worksheetPicture, async ({ person, ids, response }) => {
    const { id } = await ownWorksheet(context.db, person.id, ids.worksheet)
    const bytes = await pictures.of(id, person.id)
    if (!bytes) throw notHere()
    // Asked for by its look: another look is another address.
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/webp').send(bytes)
  })
  answering(router, CALLS.copyToShelf, ({ person, ids, sent }) =>
    copyToShelf(context, person, ids.copy, sent.title),
  )
  answering(router, CALLS.handoutLooks, ({ person, ids }) => looksOf(context.db, person.id, ids.handout))
  const pagePictures = new PagePictures(context)
  streamed(router, CALLS.pagePicture, async ({ person, ids, request, response }) => {
    const asked = String(request.query.of)
    const { look, bytes } = await pagePictures.of(person, ids.copy, ids.page, asked)
    if (!bytes) throw new Refused('This page cannot be drawn.', 422)
    // It may have been written on since: then it is another picture than its address says.
    const lasting = asked === look
    response
      .set('Cache-Control', lasting ? 'private, max-age=31536000, immutable' : 'no-store')
      .type('image/jpeg')
      .send(bytes)
  })
  return router
}

/** What is wanted of a PDF. Throws `Refused` (422) for what cannot be. */
function wantedIn(request: Request) {
  const read = printing.safeParse(request.query)
  if (!read.success) throw new Refused('A PDF cannot be made like that.', 422)
  const { empty, named, coded } = read.data
  return { empty: empty === 'yes', named: named === 'yes', coded: coded === 'yes' }
}
