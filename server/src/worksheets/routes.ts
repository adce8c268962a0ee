import { renameWorksheet } from '@hand-back/core'
import { type Request, Router } from 'express'
import type { Context } from '../context.ts'
import { takeUploads } from '../files/index.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { bringIn } from './bringIn.ts'
import { archive, makeWorksheet, renameTo, setPages, wholeWorksheet, worksheetsOf } from './queries.ts'

/** The most files of one drop. */
const MOST_FILES = 30

export function worksheetRoutes({ db, now }: Context): Router {
  const router = Router()
  router.use('/worksheets', as('teacher'))
  const broughtIn = (request: Request) =>
    takeUploads(request, MOST_FILES, (name, stream) => bringIn(db, name, stream))

  router.get('/worksheets', async (request, response) => {
    response.json(await worksheetsOf(db, whoAsks(request).id))
  })
  router.post('/worksheets', async (request, response) => {
    const files = await broughtIn(request)
    const pages = files.flatMap((file) => file.pages)
    response.status(201).json(await makeWorksheet(db, whoAsks(request).id, files[0]!.title, pages))
  })
  router.get('/worksheets/:worksheet', async (request, response) => {
    response.json(await wholeWorksheet(db, whoAsks(request).id, idIn(request, 'worksheet')))
  })
  router.patch('/worksheets/:worksheet', async (request, response) => {
    const { title } = renameWorksheet.parse(request.body)
    await renameTo(db, whoAsks(request).id, idIn(request, 'worksheet'), title)
    response.status(204).end()
  })
  router.post('/worksheets/:worksheet/pages', async (request, response) => {
    const teacher = whoAsks(request).id
    const id = idIn(request, 'worksheet')
    await wholeWorksheet(db, teacher, id)
    const more = (await broughtIn(request)).flatMap((file) => file.pages)
    response.status(201).json(await setPages(db, teacher, id, (pages) => [...pages, ...more]))
  })
  router.delete('/worksheets/:worksheet/pages/:page', async (request, response) => {
    const page = idIn(request, 'page')
    const without = await setPages(db, whoAsks(request).id, idIn(request, 'worksheet'), (pages) =>
      pages.filter(({ id }) => id !== page),
    )
    response.json(without)
  })
  router.post('/worksheets/:worksheet/archive', async (request, response) => {
    await archive(db, whoAsks(request).id, idIn(request, 'worksheet'), new Date(now()))
    response.status(204).end()
  })
  router.post('/worksheets/:worksheet/bring-back', async (request, response) => {
    await archive(db, whoAsks(request).id, idIn(request, 'worksheet'), null)
    response.status(204).end()
  })
  return router
}
