import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Box } from '@hand-back/core'
import sharp from 'sharp'

// Poppler draws pages outside of a browser. It runs as a program of its own, ended after a time; the
// memory that it may take is limited with that of the process which starts it.

const LONGEST = 20_000
const MOST_BYTES = 400 * 1024 * 1024

function poppler(program: string, pdf: Uint8Array, words: readonly string[]): Buffer {
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-paper-'))
  try {
    const file = join(folder, 'page.pdf')
    writeFileSync(file, pdf)
    const line = words.map((word) => (word === 'FILE' ? file : word))
    const done = spawnSync(program, line, { timeout: LONGEST, killSignal: 'SIGKILL', maxBuffer: MOST_BYTES })
    if (done.status !== 0) throw new Error(`${program} could not draw this page`)
    return done.stdout
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** A part (pixels at `dotsPerInch`) of the only page of a PDF, as it is seen, as PNG. */
export function drawPart(pdf: Uint8Array, part: Box, dotsPerInch: number): Buffer {
  const whole = (value: number) => String(Math.max(0, Math.round(value)))
  return poppler('pdftoppm', pdf, [
    ...['-cropbox', '-png', '-singlefile', '-r', String(dotsPerInch)],
    ...['-x', whole(part.x), '-y', whole(part.y), '-W', whole(part.width), '-H', whole(part.height)],
    'FILE',
  ])
}

/** How good the pictures of pages are, of 100: thin coloured lines stay clean. */
const QUALITY = 82
/** What every JPEG begins with: "start of image", and the first byte of the marker after it (ISO/IEC 10918-1, B.1.1.3). */
const JPEG_BEGINS = Buffer.from([0xff, 0xd8, 0xff])

/**
 * All pages of a PDF as they are seen, the longest side of each `longest` pixels, as JPEG: poppler packs what it has
 * just drawn in a third of the time that it takes to hand millions of raw bytes to another packer.
 */
export function drawPages(pdf: Uint8Array, longest: number): Buffer[] {
  const drawn = poppler('pdftoppm', pdf, [
    ...['-cropbox', '-scale-to', String(longest), '-jpeg', '-jpegopt', `quality=${QUALITY}`],
    'FILE',
  ])
  // They come one after the other. Within a picture each 0xFF of its data is followed by 0 or by the number of a restart.
  const pictures: Buffer[] = []
  for (let at = 0, next = 0; at < drawn.length; at = next) {
    next = drawn.indexOf(JPEG_BEGINS, at + 1)
    if (next < 0) next = drawn.length
    pictures.push(drawn.subarray(at, next))
  }
  if (!pictures[0]?.subarray(0, 3).equals(JPEG_BEGINS)) throw new Error('pdftoppm wrote no picture')
  return pictures
}

/** How finely it is looked whether anything lies beside a page, in dots an inch; on very large pages in so many dots in all. */
const COARSE = 24
const MOST_DOTS = 1500
/** What is lighter than this, of 255, is paper. */
const PAPER = 250

/**
 * Whether anything drawn or written lies outside of what is seen of a page. `wide`: the page by itself,
 * with a media box that reaches as far again on all sides; `seen`: where in it (points, y down) the page lies.
 */
export async function isCutOff(wide: Uint8Array, seen: Box): Promise<boolean> {
  return wordsBeside(wide, seen) || (await drawnBeside(wide, seen))
}

function wordsBeside(wide: Uint8Array, seen: Box): boolean {
  const told = poppler('pdftotext', wide, ['-bbox', 'FILE', '-']).toString('utf8')
  const slack = 1
  return [
    ...told.matchAll(/<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)"/g),
  ].some((found) => {
    const [x0, y0, x1, y1] = found.slice(1).map(Number) as [number, number, number, number]
    const [across, down] = [(x0 + x1) / 2, (y0 + y1) / 2]
    return (
      across < seen.x - slack ||
      across > seen.x + seen.width + slack ||
      down < seen.y - slack ||
      down > seen.y + seen.height + slack
    )
  })
}

async function drawnBeside(wide: Uint8Array, seen: Box): Promise<boolean> {
  const longest = (3 * Math.max(seen.width, seen.height)) / 72
  const coarse = Math.min(COARSE, MOST_DOTS / longest)
  const png = poppler('pdftoppm', wide, ['-png', '-gray', '-singlefile', '-r', String(coarse), 'FILE'])
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true })
  const dots = coarse / 72
  // Half a dot at the rim belongs to both.
  const [x0, y0] = [seen.x * dots - 1.5, seen.y * dots - 1.5]
  const [x1, y1] = [(seen.x + seen.width) * dots + 0.5, (seen.y + seen.height) * dots + 0.5]
  for (let y = 0; y < info.height; y++)
    for (let x = 0; x < info.width; x++) {
      if (x >= x0 && x <= x1 && y >= y0 && y <= y1) continue
      if (data[(y * info.width + x) * info.channels]! < PAPER) return true
    }
  return false
}
