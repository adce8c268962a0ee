import { PDFDocument, PDFName, rgb } from '@cantoo/pdf-lib'
import { makeMonstrousPdf } from '@hand-back/server/test/makePdf.ts'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithPen, expectColour, expectInk } from './hands/hands.ts'

// Papers as they are in the world, looked at where students see them.

const server = testServer()

const RED = [255, 0, 0] as const
const WHITE = [255, 255, 255] as const

test('a page with a unit of its own is as large on the screen as it says, and ink lies where it was drawn', async ({
  somebody,
}) => {
  const pdf = await PDFDocument.create()
  const page = pdf.addPage([200, 300])
  page.node.set(PDFName.of('UserUnit'), pdf.context.obj(2))
  page.drawRectangle({
    x: 100,
    y: 100,
    width: 40,
    height: 40,
    color: rgb(1, 0, 0),
  })
  const lesson = await prepareLesson(server, await somebody(), ['Noor Farrant'], await pdf.save())
  const noor = await somebody()
  await openCopy(server, noor, lesson, 0)
  // In points as seen: from the left 200 to 280, from the top 320 to 400.
  await expectColour(noor, { x: 240, y: 360 }, RED)
  await expectColour(noor, { x: 190, y: 360 }, WHITE)
  await expectColour(noor, { x: 290, y: 360 }, WHITE)
  await drawWithPen(noor, along({ x: 60, y: 60 }, { x: 160, y: 60 }, 6))
  await expectInk(noor, { x: 110, y: 60 })
  await expect(noor.locator('[data-kept=kept]')).toBeVisible()
  const answer = await noor.request.get(`${server.url}/api/copies/${lesson.students[0]!.copy}/pdf`)
  const flat = await PDFDocument.load(await answer.body())
  const size = flat.getPage(0).getSize()
  expect([size.width, size.height, String(flat.getPage(0).node.get(PDFName.of('UserUnit')))]).toEqual([
    200,
    300,
    '2',
  ])
})

test('a soft shadow by light is soft, not a black bar', async ({ somebody }) => {
  const pdf = await PDFDocument.create()
  const page = pdf.addPage([400, 300])
  const { context } = pdf
  // Left half of the mask is black (hides), the right half white (shows).
  const mask = context.register(
    context.stream('0 g 0 0 200 300 re f 1 g 200 0 200 300 re f', {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [0, 0, 400, 300],
      Group: { S: 'Transparency', CS: 'DeviceGray' },
    }),
  )
  const state = context.register(
    context.obj({ Type: 'ExtGState', SMask: { Type: 'Mask', S: 'Luminosity', G: mask } }),
  )
  page.node.normalize()
  page.node.Resources()!.set(PDFName.of('ExtGState'), context.obj({ Soft: state }))
  page.node.addContentStream(context.register(context.stream('/Soft gs 1 0 0 rg 0 0 400 300 re f')))
  const lesson = await prepareLesson(server, await somebody(), ['Ilja Egorov'], await pdf.save())
  const ilja = await somebody()
  await openCopy(server, ilja, lesson, 0)
  await expectColour(ilja, { x: 300, y: 150 }, RED)
  await expectColour(ilja, { x: 100, y: 150 }, WHITE)
})

test('a page whose paper is long in coming says so, takes ink meanwhile, and says no more when it is there', async ({
  somebody,
}) => {
  const pdf = await PDFDocument.create()
  pdf.addPage([400, 300]).drawRectangle({ x: 0, y: 0, width: 400, height: 300, color: rgb(1, 0, 0) })
  const lesson = await prepareLesson(server, await somebody(), ['Bela Sarkis'], await pdf.save())
  const bela = await somebody()
  let send = () => {}
  const sent = new Promise<void>((done) => {
    send = done
  })
  await bela.context().route('**/api/files/**', async (route) => {
    await sent
    await route.continue()
  })
  await openCopy(server, bela, lesson, 0)
  const sign = bela.getByText('The printed page is on its way.')
  await expect(sign).toBeVisible()
  await drawWithPen(bela, along({ x: 60, y: 60 }, { x: 160, y: 60 }, 6))
  await expectInk(bela, { x: 110, y: 60 })
  send()
  await expectColour(bela, { x: 200, y: 150 }, RED)
  await expect(sign).toBeHidden()
})

test('a page that cannot be drawn says so in its place, and the next page is there', async ({ somebody }) => {
  test.setTimeout(200_000)
  const pdf = await makeMonstrousPdf((more) => {
    more.addPage([400, 300]).drawRectangle({ x: 0, y: 0, width: 400, height: 300, color: rgb(1, 0, 0) })
  })
  const lesson = await prepareLesson(server, await somebody(), ['Wanda Petrov'], pdf)
  const wanda = await somebody()
  await openCopy(server, wanda, lesson, 0)
  await wanda.keyboard.press('PageDown')
  await expectColour(wanda, { x: 200, y: 150 }, RED)
  await wanda.keyboard.press('PageUp')
  await expect(wanda.getByText('What you write is kept all the same.')).toBeVisible({ timeout: 90_000 })
  await drawWithPen(wanda, along({ x: 60, y: 60 }, { x: 160, y: 60 }, 6))
  await expectInk(wanda, { x: 110, y: 60 })
})
