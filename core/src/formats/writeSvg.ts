import type { Drawn, DrawnPiece } from '../draw/drawn.ts'
import { HIGHLIGHTER_OPACITY, strokeOutline, traceOutline } from '../ink/outline.ts'
import { shinesThrough, strokePoints, strokeWidth } from '../ink/stroke.ts'
import type { Face } from '../kinds/lettering.ts'
import type { Box } from '../worksheet/box.ts'

/** Where what is no vector comes from, as data URLs; nothing: it is not here, and its place stays empty. */
export interface SvgPictures {
  picture(file: string): string | undefined
  piece(one: DrawnPiece): string | undefined
}

type Of<Kind extends Drawn['kind']> = Extract<Drawn, { kind: Kind }>

/** The families of letters, with those that stand in for them elsewhere. */
const FAMILIES: Readonly<Record<Face, string>> = {
  reading: 'Andika, sans-serif',
  plain: "'Atkinson Hyperlegible Next', sans-serif",
  book: 'Literata, serif',
}

/** What is drawn on a page as an SVG file (SVG 2), as large as the page: ink and shapes are vectors, letters are letters. */
export function writeSvg(
  drawn: readonly Drawn[],
  { width, height }: { width: number; height: number },
  pictures: SvgPictures,
): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}pt" height="${height}pt" viewBox="0 0 ${width} ${height}">`,
    `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
    ...drawn.map((one) => element(one, pictures)),
    '</svg>',
    '',
  ].join('\n')
}

const short = (value: number) => String(Math.round(value * 100) / 100)
const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (letter) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[letter]!)
/** Multiplied with what is under it. */
const SHINES = ` style="mix-blend-mode:multiply" opacity="${HIGHLIGHTER_OPACITY}"`

function element(one: Drawn, pictures: SvgPictures): string {
  switch (one.kind) {
    case 'path':
      return path(one)
    case 'text':
      return `<text x="${short(one.x)}" y="${short(one.y)}" font-family="${FAMILIES[one.face]}" font-size="${short(one.size)}"${one.bold ? ' font-weight="700"' : ''} fill="${one.colour}" xml:space="preserve">${escaped(one.text)}</text>`
    case 'picture':
      return cropped(pictures.picture(one.file), one.crop, one.box)
    case 'piece':
      return cropped(pictures.piece(one), { x: 0, y: 0, width: 1, height: 1 }, one.box)
    case 'stroke':
      return stroke(one)
    case 'laid': {
      const { a, b, e, f } = one.by
      const inner = one.drawn.map((each) => element(each, pictures)).join('')
      return `<g transform="matrix(${[a, b, -b, a, e, f].join(' ')})">${inner}</g>`
    }
  }
}

function path({ d, fill = 'none', stroke: line, width = 1, dash, at, shines }: Of<'path'>): string {
  const drawn = line
    ? ` stroke="${line}" stroke-width="${short(width)}" stroke-linejoin="round"${dash ? ` stroke-dasharray="${dash.map(short).join(' ')}"` : ''}`
    : ''
  const lies = at ? ` transform="translate(${short(at.x)} ${short(at.y)}) scale(${at.scale})"` : ''
  return `<path d="${d}" fill="${fill}"${drawn}${lies}${shines ? SHINES : ''}/>`
}

function stroke({ stroke: of, lies }: Of<'stroke'>): string {
  const steps: string[] = []
  traceOutline(strokeOutline(strokePoints(of), of.nib, strokeWidth(of)), {
    moveTo: (x, y) => steps.push(`M${short(x)} ${short(y)}`),
    quadraticCurveTo: (cx, cy, x, y) => steps.push(`Q${[cx, cy, x, y].map(short).join(' ')}`),
    closePath: () => steps.push('Z'),
  })
  const drawn = `<path d="${steps.join('')}" fill="${of.colour}"${shinesThrough(of) ? SHINES : ''}/>`
  return lies ? placed(lies.inner, lies.box, drawn) : drawn
}

/** What lies in `inner` so that it lies in `box`. */
function placed(inner: Box, box: Box, drawn: string): string {
  const sx = inner.width > 0 ? box.width / inner.width : 1
  const sy = inner.height > 0 ? box.height / inner.height : 1
  const by = [sx, 0, 0, sy, box.x - inner.x * sx, box.y - inner.y * sy]
  return `<g transform="matrix(${by.join(' ')})">${drawn}</g>`
}

/** Part of a picture in a box: the whole of it behind a window. */
function cropped(url: string | undefined, crop: Box, box: Box): string {
  if (!url) return ''
  const [width, height] = [box.width / crop.width, box.height / crop.height]
  const image = `<image href="${url}" x="${short(-crop.x * width)}" y="${short(-crop.y * height)}" width="${short(width)}" height="${short(height)}" preserveAspectRatio="none"/>`
  return `<svg x="${short(box.x)}" y="${short(box.y)}" width="${short(box.width)}" height="${short(box.height)}" overflow="hidden">${image}</svg>`
}
