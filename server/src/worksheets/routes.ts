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
import { inTurn } from '../work/index.ts'
import { bringInOne, bringInPicture, goodOnes } from './bringIn.ts'
import { keepSheet, makeFromFiles, makeWorksheet, noteFiles } from './keepSheet.ts'
import { archive, ownWorksheet, rename, wholeWorksheet, worksheetsOf } from './queries.ts'

/** The most files of one drop. */
const MOST_FILES = 30
const SECONDS_TO_DRAW = 5

export function worksheetRoutes({ db, now }: Context): Router {
  const router = Router()
  router.use('/worksheets', as('teacher'))
  const broughtIn = async (request: Request) => {
    const person = whoAsks(request).id
    const fates = await takeUploads(request, MOST_FILES, (name, stream, passwords) =>
      bringInOne(db, person, name, stream, passwords),
    )
    return goodOnes(db, fates)
  }

  router.get('/worksheets', async (request, response) => {
    response.json(await worksheetsOf(db, whoAsks(request).id, request.query.archived === 'yes'))
  })
  router.post('/worksheets', async (request, response) => {
    const teacher = whoAsks(request).id
    if (request.is('json')) {
      response.status(201).json(await makeWorksheet(db, teacher, newWorksheet.parse(request.body)))
      return
    }
    const { good, refused, said } = await broughtIn(request)
    const sheet = bareSheet(good.flatMap((file) => file.pages))
    const made = await makeFromFiles(db, teacher, { title: good[0]!.title, unit: '', sheet })
    response.status(201).json({ ...made, refused, said })
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
    const { good, refused, said } = await broughtIn(request)
    const pages = good.flatMap((file) => file.pages)
    await noteFiles(db, id, filesOfPages(pages))
    response.status(201).json({ title: good[0]!.title, pages, refused, said })
  })
  /** Takes a picture that is to lie on a page. */
  router.post('/worksheets/:worksheet/pictures', async (request, response) => {
    const { id } = await ownWorksheet(db, whoAsks(request).id, idIn(request, 'worksheet'))
    const [picture] = await takeUploads(request, 1, (_name, stream) =>
      bringInPicture(db, whoAsks(request).id, stream),
    )
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
    const drawn = await inTurn<FormulaDrawing | { refused: string }>({
      kind: 'quick',
      script: new URL('./drawFormula.ts', import.meta.url),
      name: 'drawFormula',
      task: () => latex,
      seconds: SECONDS_TO_DRAW,
      person: whoAsks(request).id,
    }).catch((error) => {
      if (error instanceof Refused) throw error
      return { refused: 'This formula cannot be drawn.' }
    })
    if ('refused' in drawn) throw new Refused(drawn.refused, 422)
    response.json(drawn)
  })
  return router
}
