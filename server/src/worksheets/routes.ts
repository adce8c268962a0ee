import { randomUUID } from 'node:crypto'
import { bareSheet, CALLS, duplicateSheet, type FormulaDrawing, filesOfPages, Refused } from '@hand-back/core'
import { type Request, Router } from 'express'
import type { Context } from '../context.ts'
import { takeUploads } from '../files/index.ts'
import { answering, streamed } from '../http/answering.ts'
import { whoAsks } from '../http/as.ts'
import { inTurn } from '../work/index.ts'
import { bringInFilm, bringInOne, bringInPicture, goodOnes } from './bringIn.ts'
import { keepSheet, makeFromFiles, makeWorksheet, noteFiles } from './keepSheet.ts'
import { archive, ownWorksheet, rename, wholeWorksheet, worksheetsOf } from './queries.ts'
import { dropWorked, keepWorked, workedOf } from './worked.ts'

/** The most files of one drop. */
const MOST_FILES = 30
const SECONDS_TO_DRAW = 5

/** `changed` is told of every worksheet that was made, or of which a page has changed. */
export function worksheetRoutes(
  { db, now }: Context,
  changed: (worksheet: string, teacher: string) => void,
): Router {
  const router = Router()
  const broughtIn = async (request: Request) => {
    const person = whoAsks(request).id
    const fates = await takeUploads(request, MOST_FILES, (name, stream, passwords) =>
      bringInOne(db, person, name, stream, passwords),
    )
    return goodOnes(db, fates)
  }

  answering(router, CALLS.worksheets, ({ person, request }) =>
    worksheetsOf(db, person.id, request.query.archived === 'yes'),
  )
  answering(router, CALLS.makeWorksheet, async ({ person, sent }) => {
    const made = await makeWorksheet(db, person.id, sent)
    changed(made.id, person.id)
    return made
  })
  streamed(router, CALLS.bringInWorksheet, async ({ person, request, response }) => {
    const { good, refused, said } = await broughtIn(request)
    const sheet = bareSheet(good.flatMap((file) => file.pages))
    const made = await makeFromFiles(db, person.id, { title: good[0]!.title, unit: '', sheet })
    changed(made.id, person.id)
    response.status(201).json({ ...made, refused, said })
  })
  answering(router, CALLS.worksheet, ({ person, ids }) => wholeWorksheet(db, person.id, ids.worksheet))
  answering(router, CALLS.renameWorksheet, async ({ person, ids, sent }) => {
    await rename(db, person.id, ids.worksheet, sent)
  })
  answering(router, CALLS.keepSheet, async ({ person, ids, sent }) => {
    const kept = await keepSheet(db, person.id, ids.worksheet, sent)
    changed(ids.worksheet, person.id)
    return kept
  })
  /** Makes pages of files, for the teacher to put among the others. */
  streamed(router, CALLS.bringInPages, async ({ person, ids, request, response }) => {
    const { id } = await ownWorksheet(db, person.id, ids.worksheet)
    const { good, refused, said } = await broughtIn(request)
    const pages = good.flatMap((file) => file.pages)
    await noteFiles(db, id, filesOfPages(pages))
    response.status(201).json({ title: good[0]!.title, pages, refused, said })
  })
  /** Takes a picture that is to lie on a page. */
  streamed(router, CALLS.bringInPicture, async ({ person, ids, request, response }) => {
    const { id } = await ownWorksheet(db, person.id, ids.worksheet)
    const [picture] = await takeUploads(request, 1, (_name, stream) => bringInPicture(db, person.id, stream))
    await noteFiles(db, id, [picture!.file])
    response.status(201).json(picture)
  })
  /** Takes a film that is to lie on a page. */
  streamed(router, CALLS.bringInFilm, async ({ person, ids, request, response }) => {
    const { id } = await ownWorksheet(db, person.id, ids.worksheet)
    const [film] = await takeUploads(request, 1, (_name, stream) => bringInFilm(db, stream))
    await noteFiles(db, id, [film!.file])
    response.status(201).json(film)
  })
  answering(router, CALLS.duplicateWorksheet, async ({ person, ids }) => {
    const { title, unit, sheet } = await wholeWorksheet(db, person.id, ids.worksheet)
    const again = duplicateSheet(sheet, randomUUID)
    const made = await makeWorksheet(db, person.id, {
      title: `${title.slice(0, 112)}, again`,
      unit,
      sheet: again,
    })
    changed(made.id, person.id)
    return made
  })
  answering(router, CALLS.archiveWorksheet, async ({ person, ids }) => {
    await archive(db, person.id, ids.worksheet, new Date(now()))
  })
  answering(router, CALLS.bringBackWorksheet, async ({ person, ids }) => {
    await archive(db, person.id, ids.worksheet, null)
  })
  answering(router, CALLS.worked, async ({ person, ids }) => {
    const { id } = await ownWorksheet(db, person.id, ids.worksheet)
    return workedOf(db, id)
  })
  answering(router, CALLS.keepWorked, async (asking) => {
    const { person, ids } = asking
    const { id } = await ownWorksheet(db, person.id, ids.worksheet)
    await keepWorked(db, person.id, id, asking.sent.events, now())
  })
  answering(router, CALLS.dropWorked, ({ person, ids }) => dropWorked(db, person.id, ids.worksheet))
  /** Draws a formula, also one that a student writes. */
  answering(router, CALLS.drawFormula, async ({ person, sent: { latex } }) => {
    const drawn = await inTurn<FormulaDrawing | { refused: string }>({
      kind: 'quick',
      script: new URL('./drawFormula.ts', import.meta.url),
      name: 'drawFormula',
      task: () => latex,
      bytes: 0,
      seconds: SECONDS_TO_DRAW,
      person: person.id,
    }).catch((error) => {
      if (error instanceof Refused) throw error
      return { refused: 'This formula cannot be drawn.' }
    })
    if ('refused' in drawn) throw new Refused(drawn.refused, 422)
    return drawn
  })
  return router
}
