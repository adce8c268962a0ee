import type { ParcelTold, ParcelWish, Person } from '@hand-back/core'
import { bringUpToDate, connect, Keeper, Packers } from '@hand-back/server'
import { quietContext } from '../setup/quietContext.ts'
import type { Figure } from './figure.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const COPIES = 300
const FEW = 30
const PAGES = 6
const STROKES = 200
const MEGA = 1024 * 1024

/** An archive of a whole year's copies: how long it takes, and that it takes no more memory than a class's. */
export async function parcelFigures(databaseUrl: string): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const context = quietContext(connection)
  const { teacher, handout, copies, students, pages } = await furnishCopies(context, COPIES, PAGES)
  const keeper = new Keeper(context)
  const ink = handwriting(STROKES)
  for (const [index, copy] of copies.entries())
    await keeper.keep(
      students[index]!,
      copy,
      pages.map(({ id }) =>
        adding(
          id,
          ink.map((stroke) => ({ ...stroke, id: crypto.randomUUID() })),
        ),
      ),
    )
  const packers = new Packers(context)
  const packing = (count: number) => packed(packers, teacher, wishOf(handout, copies.slice(0, count)))
  // What is loaded once, is.
  await packing(2)
  const few = await packing(FEW)
  const all = await packing(COPIES)
  packers.stop()
  await connection.close()
  return [
    {
      name: `memory of the server while an archive of ${COPIES} copies of ${PAGES} pages is packed, at most`,
      value: all.held / MEGA,
      unit: 'MB',
      reference: { name: `of ${FEW} copies`, value: few.held / MEGA },
      heldTo: '≤ 1.3 ×',
    },
    {
      name: `packing ${COPIES} copies of ${PAGES} pages with ${STROKES} strokes each (${Math.round(all.bytes / MEGA)} MB)`,
      value: all.took,
      unit: 'ms',
      reference: { name: `${FEW} copies`, value: few.took },
      heldTo: '≤ 12 ×',
    },
  ]
}

const wishOf = (handout: string, copies: readonly string[]): ParcelWish => ({
  of: 'handout',
  handout,
  copies: [...copies],
  form: 'each',
  marks: true,
  cover: true,
  twoASheet: false,
  recordings: true,
})

/** Packs, and looks how much memory this process holds meanwhile. */
async function packed(
  packers: Packers,
  teacher: Person,
  wish: ParcelWish,
): Promise<{ held: number; took: number; bytes: number }> {
  const began = performance.now()
  const { id } = await packers.wish(teacher, wish)
  let held = 0
  for (;;) {
    held = Math.max(held, process.memoryUsage().rss)
    const told = (await packers.of(teacher)).find((each) => each.id === id) as ParcelTold
    if (told.state === 'failed') throw new Error(told.problem ?? 'not packed')
    if (told.state === 'ready') return { held, took: performance.now() - began, bytes: told.bytes }
    await new Promise((done) => setTimeout(done, 50))
  }
}
