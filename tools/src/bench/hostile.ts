import { spawn } from 'node:child_process'
import { randomBytes, randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { PDFDocument, PDFName } from '@cantoo/pdf-lib'
import type { WorksheetWhole } from '@hand-back/core'
import { bringUpToDate, connect, hashSecret, tables } from '@hand-back/server'
import { makeMonstrousPdf } from '@hand-back/server/test/makePdf.ts'
import { Visitor } from '@hand-back/server/test/visitor.ts'
import { eq } from 'drizzle-orm'
import { freePort } from '../setup/cluster.ts'
import { quietContext } from '../setup/quietContext.ts'
import { startServerProcess } from '../setup/serverProcess.ts'
import { type Figure, percentile } from './figure.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const TRIES = 10_000
const DOWNLOADS = 24
const PASSWORD = 'low tide at noon'

/** What some do to the others: guessing at the door, a copy that cannot be flattened, a class that downloads at once. */
export async function hostileFigures(databaseUrl: string): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const { students, copies, pages, teacher } = await furnishCopies(quietContext(connection), DOWNLOADS, 2)
  await connection.db
    .update(tables.people)
    .set({ secretHash: await hashSecret(PASSWORD), signInName: 'marit abara' })
    .where(eq(tables.people.id, teacher.id))
  await connection.close()
  const server = await startServerProcess({
    databaseUrl,
    port: await freePort(),
    secret: 'bench',
    demo: true,
  })
  const signedIn = async (person: string) => {
    const visitor = new Visitor(server.url)
    await visitor.post('/sign-in/demo', { person })
    return visitor
  }
  const visitors = await Promise.all(students.map(({ id }) => signedIn(id)))
  const marit = await signedIn(teacher.id)
  const school: Hostile = { url: server.url, marit, visitors, copies, page: pages[0]!.id }
  try {
    return [...(await manyTries(school)), await monstrousCopy(school), await manyDownloads(school)]
  } finally {
    for (const visitor of visitors) visitor.leave()
    await server.stop()
  }
}

interface Hostile {
  readonly url: string
  readonly marit: Visitor
  readonly visitors: readonly Visitor[]
  readonly copies: readonly string[]
  readonly page: string
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))
const wait = async (work: () => Promise<unknown>) => {
  const began = performance.now()
  await work()
  return performance.now() - began
}

/** Acknowledgements of a stroke every 50 ms, until `over` says so; at least twenty. */
async function acknowledgements({ visitors, copies, page }: Hostile, over: () => boolean): Promise<number[]> {
  const [stroke] = handwriting(1)
  const waits: number[] = []
  while (!over() || waits.length < 20) {
    const event = adding(page, [{ ...stroke!, id: randomUUID() }])
    waits.push(await wait(() => visitors[0]!.keep(copies[0]!, [event])))
    await pause(50)
  }
  return waits
}

async function manyTries(school: Hostile): Promise<Figure[]> {
  const quiet = percentile(await acknowledgements(school, () => true), 0.95)
  const signIn = () => school.marit.post('/sign-in/teacher', { name: 'Marit Abara', password: PASSWORD })
  const alone = await wait(signIn)
  const script = fileURLToPath(new URL('./tries.mjs', import.meta.url))
  const tries = spawn(process.execPath, [script, school.url, String(TRIES)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  let over = false
  tries.once('exit', () => {
    over = true
  })
  await pause(300)
  const [honest, waits] = await Promise.all([wait(signIn), acknowledgements(school, () => over)])
  return [
    {
      name: `an honest sign-in while ${TRIES} try at once`,
      value: honest,
      unit: 'ms',
      reference: { name: 'alone', value: alone },
      heldTo: '≤ 2000 ms',
    },
    {
      name: `a stroke acknowledged meanwhile, p95`,
      value: percentile(waits, 0.95),
      unit: 'ms',
      reference: { name: 'on a quiet server', value: quiet },
      heldTo: '≤ 2 ×',
    },
  ]
}

/** A PDF of about six megabytes that cannot be packed smaller. */
async function heavyPdf(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const page = pdf.addPage([595, 842])
  const [width, height] = [1500, 1333]
  const picture = pdf.context.register(
    pdf.context.stream(randomBytes(width * height * 3), {
      Type: 'XObject',
      Subtype: 'Image',
      Width: width,
      Height: height,
      ColorSpace: 'DeviceRGB',
      BitsPerComponent: 8,
    }),
  )
  page.node.normalize()
  page.node.Resources()!.set(PDFName.of('XObject'), pdf.context.obj({ Im: picture }))
  page.node.addContentStream(pdf.context.register(pdf.context.stream('q 500 0 0 444 40 300 cm /Im Do Q')))
  return pdf.save()
}

/** Hands a PDF out to the class that is there; the copies in the order of its students. */
async function handOut({ marit, visitors }: Hostile, pdf: Uint8Array): Promise<string[]> {
  const worksheet = await marit.upload<WorksheetWhole>('/worksheets', 'x.pdf', pdf)
  const [of] = await marit.get<{ id: string }[]>('/classes')
  await marit.post('/handouts', {
    request: randomUUID(),
    worksheet: worksheet.id,
    classes: [{ class: of!.id, way: 'own' }],
    opensAt: null,
    dueAt: null,
    directions: '',
    spoken: null,
    counts: true,
  })
  const trays = await Promise.all(visitors.map((visitor) => visitor.get<{ copy: string }[]>('/tray')))
  return trays.map(([newest]) => newest!.copy)
}

const download = async (visitor: Visitor, copy: string) => {
  const answer = await visitor.send('GET', `/copies/${copy}/pdf`)
  await answer.arrayBuffer()
}

async function monstrousCopy(school: Hostile): Promise<Figure> {
  const { visitors, copies } = school
  // The processes are there and warm.
  for (let warm = 0; warm < 3; warm++) await download(visitors[1]!, copies[1]!)
  const alone = percentile(await several(5, () => download(visitors[1]!, copies[1]!)), 0.5)
  const bombs = await handOut(school, await makeMonstrousPdf())
  const monster = download(visitors[0]!, bombs[0]!)
  await pause(500)
  const beside = percentile(await several(5, () => download(visitors[1]!, copies[1]!)), 0.5)
  await monster
  return {
    name: 'another’s PDF while a monstrous copy is being made',
    value: beside,
    unit: 'ms',
    reference: { name: 'the same alone', value: alone },
    heldTo: '≤ 2 ×',
  }
}

async function several(times: number, work: () => Promise<unknown>): Promise<number[]> {
  const waits: number[] = []
  for (let time = 0; time < times; time++) waits.push(await wait(work))
  return waits
}

async function manyDownloads(school: Hostile): Promise<Figure> {
  const { visitors, marit } = school
  const copies = await handOut(school, await heavyPdf())
  const ask = () => marit.get('/handouts')
  const quiet = percentile(await several(20, ask), 0.95)
  let over = false
  const all = Promise.all(visitors.map((visitor, index) => download(visitor, copies[index]!))).then(() => {
    over = true
  })
  const waits: number[] = []
  while (!over) {
    waits.push(await wait(ask))
    await pause(25)
  }
  await all
  return {
    name: `another request while ${DOWNLOADS} download a PDF of 6 MB, p95`,
    value: percentile(waits, 0.95),
    unit: 'ms',
    reference: { name: 'on a quiet server', value: quiet },
    heldTo: '≤ 200 ms',
  }
}
