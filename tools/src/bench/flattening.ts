import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { WorksheetPage } from '@hand-back/core'
import { type FlattenTask, flatten } from '@hand-back/server/flatten.ts'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { PROJECT } from '../setup/project.ts'
import { type Figure, timed } from './figure.ts'
import { handwriting } from './strokes.ts'

const COPIES = 30
const PAGES = 6
const STROKES = 200
const A4 = { width: 595, height: 842 }

/** Thirty copies of six pages flattened, against qpdf laying a ready-made page of ink over the same pages. */
export async function flattenFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-flat-'))
  const tide = readFileSync(join(PROJECT, 'tools/src/demo/worksheets/made/Reading a tide table.pdf'))
  writeFileSync(join(folder, 'tide.pdf'), tide)
  // Six pages: the worksheet twice.
  spawnSync('qpdf', [
    '--empty',
    '--pages',
    join(folder, 'tide.pdf'),
    join(folder, 'tide.pdf'),
    '--',
    join(folder, 'six.pdf'),
  ])
  const six = readFileSync(join(folder, 'six.pdf'))
  const pages: WorksheetPage[] = Array.from({ length: PAGES }, (_, index) => ({
    id: crypto.randomUUID(),
    ...A4,
    paper: {
      kind: 'pdf',
      file: 'a'.repeat(64),
      number: index + 1,
      box: [0, 0, A4.width, A4.height],
      turn: 0,
      unit: 1,
    },
    printed: [],
  }))
  const strokes = handwriting(STROKES)
  const task: FlattenTask = {
    title: 'x',
    pages: pages.map((page) => ({ page, items: strokes })),
    files: new Map([['a'.repeat(64), six]]),
  }
  const blank = await makePdf(Array(PAGES).fill(A4))
  const ink = await flatten({ ...task, files: new Map([['a'.repeat(64), blank]]) })
  writeFileSync(join(folder, 'ink.pdf'), ink)

  const ours = await timed(async () => {
    for (let copy = 0; copy < COPIES; copy++) await flatten(task)
  }, 2)
  const theirs = await timed(() => {
    for (let copy = 0; copy < COPIES; copy++) {
      spawnSync('qpdf', [
        join(folder, 'six.pdf'),
        '--overlay',
        join(folder, 'ink.pdf'),
        '--',
        join(folder, 'out.pdf'),
      ])
    }
  }, 2)
  rmSync(folder, { recursive: true })
  return [
    {
      name: `flattening ${COPIES} copies of ${PAGES} pages with ${STROKES} strokes each`,
      value: ours,
      unit: 'ms',
      reference: { name: 'qpdf --overlay of the same pages', value: theirs },
      heldTo: '≤ 3 ×',
    },
  ]
}
