import { evenLight, fillAt, findSheet, type Pixels, sheetSize, straighten } from '@hand-back/core'
import { photographed } from '@hand-back/core/test/photographed.ts'
import { Picture } from '@hand-back/core/test/pictureOf.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'
import { type Figure, timed } from './figure.ts'
import { type Read, readMadeSheets } from './sheets.ts'

/** Dots a point: 150 an inch. */
const SCALE = 150 / 72

/** What is computed for exact tools on the page. */
export async function exactFigures(): Promise<Figure[]> {
  const page = writtenPage()
  const raw = { name: 'one pass over its pixels', value: await timed(() => passOver(page)) }
  const at = (x: number, y: number) => () => fillAt(page, { x: x / SCALE, y: y / SCALE }, SCALE)
  return [
    {
      name: 'filling an eighth of a circle on an A4 page at 150 dpi',
      value: await timed(at(700, 640)),
      unit: 'ms',
      reference: raw,
      heldTo: '≤ 150 ms',
    },
    {
      name: 'finding that nothing bounds a place of it',
      value: await timed(at(100, 100)),
      unit: 'ms',
      reference: raw,
      heldTo: '≤ 500 ms',
    },
    ...(await photoFigures()),
    ...sheetFigures(),
  ]
}

/** Made-up photos of printed sheets, of five prints in ten ways: read, and laid where they were printed. */
function sheetFigures(): Figure[] {
  const read = [...readMadeSheets(1)]
  const part = (fate: Read['fate']) => (100 * read.filter((each) => each.fate === fate).length) / read.length
  const seconds = read.reduce((sum, each) => sum + each.seconds, 0) / read.length
  const began = performance.now()
  passOver(new Picture(1500, 2000))
  const pass = (performance.now() - began) / 1000
  const asked = { name: 'left to a person', value: part('asked') }
  const rate = { unit: '%', reference: asked }
  return [
    { ...rate, name: 'of photos of sheets, laid right (1.5 mm)', value: part('right'), heldTo: '≥ 85' },
    { ...rate, name: 'of photos of sheets, laid beside', value: part('off'), heldTo: '≤ 4' },
    { ...rate, name: 'of photos of sheets, in a wrong copy', value: part('wrong'), heldTo: '≤ 0' },
    {
      name: 'reading and placing a scan of 30 sheets, one after the other',
      value: seconds * 30,
      unit: 's',
      reference: { name: 'one pass over their pixels', value: pass * 30 },
      heldTo: '≤ 90 s',
    },
  ]
}

/** A photo of 12 megapixels: its sheet found, and laid straight in even light as large as on a page. */
async function photoFigures(): Promise<Figure[]> {
  const corners = [
    { x: 500, y: 600 },
    { x: 2500, y: 500 },
    { x: 2700, y: 3500 },
    { x: 400, y: 3600 },
  ] as const
  const photo = photographed(new Picture(620, 877).arc(300, 300, 100, 6), {
    ...{ width: 3000, height: 4000, corners, noise: 8, chance: seeded(1) },
    ...{ table: [120, 84, 52], light: [0.6, 0.9] },
  })
  const raw = { name: 'one pass over its pixels', value: await timed(() => passOver(photo)) }
  const { width, height } = sheetSize(corners, 2339, photo)
  return [
    {
      name: 'finding the sheet in a photo of 12 megapixels',
      value: await timed(() => findSheet(photo)),
      unit: 'ms',
      reference: raw,
      heldTo: '≤ 1,000 ms',
    },
    {
      name: 'laying it straight and in even light, 2,339 pixels high',
      value: await timed(() => evenLight(straighten(photo, corners, width, height)!)),
      unit: 'ms',
      reference: raw,
      heldTo: '≤ 1,500 ms',
    },
  ]
}

/** An A4 page with a circle in eighths and 2,000 letters. */
function writtenPage(): Picture {
  const page = new Picture(1240, 1754).arc(600, 600, 300, 3)
  for (let part = 0; part < 8; part++) {
    const angle = (part * Math.PI) / 4
    page.line(
      [
        [600, 600],
        [600 + 300 * Math.cos(angle), 600 + 300 * Math.sin(angle)],
      ],
      3,
    )
  }
  for (let letter = 0; letter < 2000; letter++) {
    const [x, y] = [80 + (letter % 60) * 18, 950 + Math.floor(letter / 60) * 22]
    page.line(
      [
        [x, y],
        [x + 9, y + 12],
        [x + 3, y + 14],
      ],
      2,
    )
  }
  return page
}

function passOver({ data }: Pixels): number {
  let sum = 0
  for (let at = 0; at < data.length; at += 4) sum += data[at]! + data[at + 1]! + data[at + 2]!
  return sum
}
