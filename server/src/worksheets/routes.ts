import { randomUUID } from 'node:crypto'
import {
  bareSheet,
  duplicateSheet,
  type FormulaDrawing,
  filesOfPages,
  formulaAsked,
  newWorksheet,
  Refused,
  renameWorksheet,
  sheetChange,
} from '@hand-back/core'
import { type Request, Router } from 'express'
import type { Context } from '../context.ts'
import { takeUploads } from '../files/index.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { inWorker } from '../http/inWorker.ts'
import { bringIn, bringInPicture } from './bringIn.ts'
import { keepSheet, makeFromFiles, makeWorksheet, noteFiles } from './keepSheet.ts'
import { archive, ownWorksheet, rename, wholeWorksheet, worksheetsOf } from './queries.ts'

/** The most files of one drop. */
const MOST_FILES = 30
const SECONDS_TO_DRAW = 5

export function worksheetRoutes({ db, now }: Context): Router {
  const router = Router()
  router.use('/worksheets', as('teacher'))
  const broughtIn = (request: Request) =>
    takeUploads(request, MOST_FILES, (name, stream, passwords) => bringIn(db, name, stream, passwords))

  router.get('/worksheets', async (request, response) => {
    response.json(await worksheetsOf(db, whoAsks(request).id, request.query.archived === 'yes'))
  })
  router.post('/worksheets', async (request, response) => {
    const teacher = whoAsks(request).id
    if (request.is('json')) {
      response.status(201).json(await makeWorksheet(db, teacher, newWorksheet.parse(request.body)))
      return
    }
    const files = await broughtIn(request)
    const pages = files.flatMap((file) => file.pages)
    response
      .status(201)
      .json(await makeFromFiles(db, teacher, { title: files[0]!.title, unit: '', sheet: bareSheet(pages) }))
  })
  router.get('/worksheets/:worksheet', async (request, response) => {
    response.json(await wholeWorksheet(db, whoAsks(request).id, idIn(request, 'worksheet')))
  })
  router.patch('/worksheets/:worksheet', async (request, response) => {
    await rename(db, whoAsks(request).id, idIn(request, 'worksheet'), renameWorksheet.parse(request.body))
    response.status(204).end()
  })
  router.put('/worksheets/:worksheet/sheet', async (request, response) => {
    const change = sheetChange.parse(request.body)
    response.json(await keepSheet(db, whoAsks(request).id, idIn(request, 'worksheet'), change))
  })
  /** Makes pages of files, for the teacher to put among the others. */
  router.post('/worksheets/:worksheet/files', async (request, response) => {
    const { id } = await ownWorksheet(db, whoAsks(request).id, idIn(request, 'worksheet'))
    const files = await broughtIn(request)
    const pages = files.flatMap((file) => file.pages)
    await noteFiles(db, id, filesOfPages(pages))
    response.status(201).json({ title: files[0]!.title, pages })
  })
  /** Takes a picture that is to lie on a page. */
  router.post('/worksheets/:worksheet/pictures', async (request, response) => {
    const { id } = await ownWorksheet(db, whoAsks(request).id, idIn(request, 'worksheet'))
    const [picture] = await takeUploads(request, 1, (_name, stream) => bringInPicture(db, stream))
    await noteFiles(db, id, [picture!.file])
    response.status(201).json(picture)
  })
  router.post('/worksheets/:worksheet/duplicate', async (request, response) => {
    const teacher = whoAsks(request).id
    const { title, unit, sheet } = await wholeWorksheet(db, teacher, idIn(request, 'worksheet'))
    const again = duplicateSheet(sheet, randomUUID)
    const made = { title: `${title.slice(0, 112)}, again`, unit, sheet: again }
    response.status(201).json(await makeWorksheet(db, teacher, made))
  })
  router.post('/worksheets/:worksheet/archive', async (request, response) => {
    await archive(db, whoAsks(request).id, idIn(request, 'worksheet'), new Date(now()))
    response.status(204).end()
  })
  router.post('/worksheets/:worksheet/bring-back', async (request, response) => {
    await archive(db, whoAsks(request).id, idIn(request, 'worksheet'), null)
    response.status(204).end()
  })
  /** Draws a formula, also one that a student writes. */
  router.post('/formulas', as('anybody'), async (request, response) => {
    const { latex } = formulaAsked.parse(request.body)
    const script = new URL('./drawFormula.ts', import.meta.url)
    const drawn = await inWorker<FormulaDrawing | { refused: string }>(
      script,
      'drawFormula',
      latex,
      SECONDS_TO_DRAW,
    ).catch(() => ({ refused: 'This formula cannot be drawn.' }))
    if ('refused' in drawn) throw new Refused(drawn.refused, 422)
    response.json(drawn)
  })
  return router
}
