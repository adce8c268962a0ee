import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { bearings } from './demo/worksheets/bearings.ts'
import { crabParts, knot, letter } from './demo/worksheets/others.ts'
import type { WorksheetSource } from './demo/worksheets/parts.ts'
import { tideTable } from './demo/worksheets/tideTable.ts'
import { openBrowser } from './setup/browser.ts'
import { PROJECT } from './setup/project.ts'

const HERE = join(PROJECT, 'tools/src/demo/worksheets')
const require = createRequire(import.meta.url)

/** `npm run worksheets`: typesets the demo's worksheets and notes where their answers go. The results are committed. */
export async function run(): Promise<void> {
  const browser = await openBrowser()
  const page = await browser.newPage()
  const style = readFileSync(join(HERE, 'style.css'), 'utf8') + fontFaces()
  const places: Record<string, unknown> = {}
  mkdirSync(join(HERE, 'made'), { recursive: true })
  for (const { name, pages } of [tideTable, bearings, crabParts, knot, letter] satisfies WorksheetSource[]) {
    await page.setContent(`<!doctype html><title>${name}</title><style>${style}</style>${pages.join('')}`)
    await page.evaluate(() => document.fonts.ready)
    places[name] = await page.evaluate(measurePlaces)
    await page.pdf({
      path: join(HERE, 'made', `${name}.pdf`),
      preferCSSPageSize: true,
      printBackground: true,
    })
    console.log(`${name}: ${pages.length} pages`)
  }
  writeFileSync(join(HERE, 'made/places.json'), `${JSON.stringify(places, null, 1)}\n`)
  await browser.close()
}

/** Runs in the page: every marked place in points, from the top left of its sheet. */
function measurePlaces() {
  // 96 CSS pixels are 72 points. No function is named in here: the loader would call a helper of its own.
  const found: Record<string, { page: number; x: number; y: number; width: number; height: number }> = {}
  document.querySelectorAll('section.page').forEach((sheet, page) => {
    const corner = sheet.getBoundingClientRect()
    for (const element of sheet.querySelectorAll<HTMLElement>('[data-place]')) {
      const box = element.getBoundingClientRect()
      found[element.dataset.place!] = {
        page,
        x: Math.round((box.left - corner.left) * 7.5) / 10,
        y: Math.round((box.top - corner.top) * 7.5) / 10,
        width: Math.round(box.width * 7.5) / 10,
        height: Math.round(box.height * 7.5) / 10,
      }
    }
  })
  return found
}

interface Face {
  readonly family: string
  readonly from: string
  readonly file: string
  readonly weight?: number
  readonly range?: string
}

function fontFaces(): string {
  const faces: readonly Face[] = [
    {
      family: 'Atkinson Hyperlegible Next Variable',
      from: '@fontsource-variable/atkinson-hyperlegible-next',
      file: 'atkinson-hyperlegible-next-latin-wght-normal',
    },
    {
      family: 'Literata Variable',
      from: '@fontsource-variable/literata',
      file: 'literata-latin-wght-normal',
    },
    ...([400, 700] as const).map((weight) => ({
      family: 'Plain digits',
      from: '@fontsource/andika',
      file: `andika-latin-${weight}-normal`,
      weight,
      range: 'unicode-range:U+30-39;',
    })),
  ]
  return faces
    .map(({ family, from, file, weight = '200 900', range = '' }) => {
      const folder = dirname(require.resolve(`${from}/package.json`))
      const bytes = readFileSync(join(folder, 'files', `${file}.woff2`)).toString('base64')
      return `@font-face{font-family:"${family}";font-weight:${weight};${range}src:url(data:font/woff2;base64,${bytes})}`
    })
    .join('')
}
