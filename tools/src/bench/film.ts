import { randomUUID } from 'node:crypto'
import { Readable } from 'node:stream'
import type { PageEvent, Stroke } from '@hand-back/core'
import { type Context, Keeper, storeFile, tables } from '@hand-back/server'
import type { Figure } from './figure.ts'
import { type BenchHouse, inBrowser } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { handwriting } from './strokes.ts'
import { wavHead } from './wavHead.ts'

const SECONDS = 60
/** As many as a hand that never rests writes in a second. */
const STROKES_A_SECOND = 2
const SAMPLES_A_SECOND = 48_000

/** A film of a talk-through in which somebody writes from its first second to its last, against watching it. */
export function filmFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, furnished) => [
    {
      name: `a film of ${SECONDS} seconds, ${SECONDS * STROKES_A_SECOND} strokes, made in the browser`,
      value: await making(house, furnished),
      unit: 'ms',
      reference: { name: 'watching it', value: SECONDS * 1000 },
      heldTo: '≤ 1 ×',
    },
  ])
}

type Furnished = Awaited<ReturnType<typeof furnish>>

async function furnish(context: Context) {
  const made = await furnishCopies(context, 1, 1)
  const [copy, student, page] = [made.copies[0]!, made.students[0]!, made.pages[0]!.id]
  const { sha256 } = await storeFile(context.db, Readable.from(sound()), 20_000_000)
  const recording = randomUUID()
  await context.db
    .insert(tables.attachments)
    .values({ id: recording, copyId: copy, authorId: student.id, file: sha256 })
  const began = Date.now() - SECONDS * 1000
  const common = { layer: 'work', act: 'add', page } as const
  const written = handwriting(SECONDS * STROKES_A_SECOND).map(
    (stroke: Stroke, index): PageEvent => ({
      ...common,
      id: randomUUID(),
      madeAt: Math.round(began + ((index + 1) * 1000) / STROKES_A_SECOND),
      items: [stroke],
    }),
  )
  const note = {
    ...{ id: randomUUID(), kind: 'voice' as const, x: 60, y: 60, recording, seconds: SECONDS },
    talk: { clock: [[0, began] as [number, number]], turns: [[0, page] as [number, string]] },
  }
  const laid: PageEvent = { ...common, id: randomUUID(), madeAt: began + SECONDS * 1000, items: [note] }
  await new Keeper(context).keep(student, copy, [...written, laid])
  return { copy, student }
}

/** A tone, as WAV: what is not in a film's own way of keeping sound is turned into it. */
function sound(): Buffer {
  const samples = SECONDS * SAMPLES_A_SECOND
  const said = Buffer.alloc(samples * 2)
  for (let at = 0; at < samples; at++) said.writeInt16LE(Math.round(9000 * Math.sin(at / 50)), at * 2)
  return Buffer.concat([wavHead(samples, SAMPLES_A_SECOND), said])
}

async function making(house: BenchHouse, { copy, student }: Furnished): Promise<number> {
  const page = await house.signedIn(student)
  await page.goto(`${house.url}/copy/${copy}`)
  await page.getByRole('button', { name: 'Watch', exact: true }).click()
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
  const made = page.waitForEvent('download', { timeout: 5 * SECONDS * 1000 })
  const began = performance.now()
  await page.getByRole('button', { name: 'Save as a film' }).click()
  await made
  return performance.now() - began
}
