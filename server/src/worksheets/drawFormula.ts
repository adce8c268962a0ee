import { createRequire } from 'node:module'
import type { FormulaDrawing } from '@hand-back/core'

// MathJax ships CommonJS without types that fit; only these few parts of it are used.
const require = createRequire(import.meta.url)
const { mathjax } = require('mathjax-full/js/mathjax.js')
const { TeX } = require('mathjax-full/js/input/tex.js')
const { SVG } = require('mathjax-full/js/output/svg.js')
const { liteAdaptor } = require('mathjax-full/js/adaptors/liteAdaptor.js')
const { RegisterHTMLHandler } = require('mathjax-full/js/handlers/html.js')
require('mathjax-full/js/input/tex/ams/AmsConfiguration.js')
require('mathjax-full/js/input/tex/cancel/CancelConfiguration.js')
require('mathjax-full/js/input/tex/textmacros/TextMacrosConfiguration.js')

interface Node {
  readonly kind: string
  readonly children: Node[]
  readonly attributes: Record<string, unknown>
}

const adaptor = liteAdaptor()
RegisterHTMLHandler(adaptor)

/** No macros of one's own: a formula says what it shows. Recursion ends early. */
const document = mathjax.document('', {
  InputJax: new TeX({ packages: ['base', 'ams', 'cancel', 'textmacros'], maxMacros: 100, maxBuffer: 4096 }),
  OutputJax: new SVG({ fontCache: 'none' }),
})

/**
 * Draws a formula written in LaTeX as one outline. A formula that does not parse, or has letters that
 * the mathematical fonts lack, gives a sentence. Method: MathJax, SVG without fonts.
 */
export async function drawFormula(latex: string): Promise<FormulaDrawing | { refused: string }> {
  const container: Node = document.convert(latex, { display: true, em: 16, ex: 8, containerWidth: 1e6 })
  const svg = container.children.find(({ kind }) => kind === 'svg')!
  const [, top, width, height] = String(svg.attributes.viewBox).split(' ').map(Number) as [
    number,
    number,
    number,
    number,
  ]
  const found: Found = { path: '', problem: undefined }
  for (const child of svg.children) trace(child, [1, 0, 0, 1, 0, 0], found)
  if (found.problem) return { refused: found.problem }
  if (found.path === '') return { refused: 'This formula draws nothing.' }
  if (found.path.length > 200_000) return { refused: 'That formula is too long.' }
  return { path: found.path, width: width / 1000, ascent: -top / 1000, descent: (height + top) / 1000 }
}

type Map6 = readonly [number, number, number, number, number, number]
interface Found {
  path: string
  problem: string | undefined
}

function trace(node: Node, map: Map6, found: Found): void {
  const { attributes } = node
  const error = attributes['data-mjx-error']
  if (error !== undefined) found.problem ??= `This formula cannot be read: ${String(error)}.`
  if (found.problem) return
  const here = attributes.transform ? times(map, readTransform(String(attributes.transform))) : map
  if (node.kind === 'text')
    found.problem ??= 'A letter of this formula cannot be drawn. Put those words in a text beside it.'
  else if (node.kind === 'path' && attributes.d) found.path += absolute(String(attributes.d), here)
  else if (node.kind === 'rect' && !attributes['data-background']) found.path += rectangle(attributes, here)
  else if (node.kind === 'line') found.path += bar(attributes, here)
  // A nested drawing (a stretched bracket) shows a window of its own.
  else if (node.kind === 'svg') {
    const shift = times(here, [1, 0, 0, 1, Number(attributes.x ?? 0), Number(attributes.y ?? 0)])
    const [x = 0, y = 0, , high = 1] = String(attributes.viewBox ?? '0 0 1 1')
      .split(' ')
      .map(Number)
    const scale = Number(attributes.height ?? high) / high
    for (const child of node.children)
      trace(child, times(shift, [scale, 0, 0, scale, -x * scale, -y * scale]), found)
    return
  }
  for (const child of node.children ?? []) trace(child, here, found)
}

function rectangle(attributes: Record<string, unknown>, map: Map6): string {
  const [x, y, w, h] = ['x', 'y', 'width', 'height'].map((name) => Number(attributes[name] ?? 0)) as [
    number,
    number,
    number,
    number,
  ]
  return absolute(`M${x} ${y}L${x + w} ${y}L${x + w} ${y + h}L${x} ${y + h}Z`, map)
}

/** A line as thick as MathJax strokes it (60 units), as an outline. */
function bar(attributes: Record<string, unknown>, map: Map6): string {
  const [x1, y1, x2, y2] = ['x1', 'y1', 'x2', 'y2'].map((name) => Number(attributes[name] ?? 0)) as [
    number,
    number,
    number,
    number,
  ]
  const length = Math.hypot(x2 - x1, y2 - y1) || 1
  const [nx, ny] = [(-(y2 - y1) / length) * 30, ((x2 - x1) / length) * 30]
  return absolute(
    `M${x1 + nx} ${y1 + ny}L${x2 + nx} ${y2 + ny}L${x2 - nx} ${y2 - ny}L${x1 - nx} ${y1 - ny}Z`,
    map,
  )
}

function readTransform(text: string): Map6 {
  let map: Map6 = [1, 0, 0, 1, 0, 0]
  for (const [, name, inside] of text.matchAll(/(\w+)\(([^)]*)\)/g)) {
    const [a = 0, b] = inside!.split(/[ ,]+/).map(Number)
    if (name === 'translate') map = times(map, [1, 0, 0, 1, a, b ?? 0])
    else if (name === 'scale') map = times(map, [a, 0, 0, b ?? a, 0, 0])
  }
  return map
}

function times(m: Map6, n: Map6): Map6 {
  return [
    m[0] * n[0] + m[2] * n[1],
    m[1] * n[0] + m[3] * n[1],
    m[0] * n[2] + m[2] * n[3],
    m[1] * n[2] + m[3] * n[3],
    m[0] * n[4] + m[2] * n[5] + m[4],
    m[1] * n[4] + m[3] * n[5] + m[5],
  ]
}

/** The fonts' paths (M, L, H, V, Q, T, C, Z, all absolute) with only M, L, Q, C and Z, mapped. */
function absolute(d: string, m: Map6): string {
  const put = (x: number, y: number) =>
    `${Math.round(m[0] * x + m[2] * y + m[4])} ${Math.round(m[1] * x + m[3] * y + m[5])}`
  let [x, y] = [0, 0]
  let control: [number, number] | undefined
  let path = ''
  for (const [, letter, inside] of d.matchAll(/([MLHVQTCZ])([^MLHVQTCZ]*)/g)) {
    const n = (inside!.match(/-?[\d.]+/g) ?? []).map(Number)
    if (letter === 'Z') path += 'Z'
    else if (letter === 'H') x = n[0]!
    else if (letter === 'V') y = n[0]!
    if (letter === 'H' || letter === 'V') path += `L${put(x, y)}`
    const step = letter === 'M' || letter === 'L' || letter === 'T' ? 2 : letter === 'Q' ? 4 : 6
    if (!'MLTQC'.includes(letter!)) {
      control = undefined
      continue
    }
    for (let at = 0; at + step <= n.length; at += step) {
      const points = n.slice(at, at + step)
      if (letter === 'T') {
        // The control point mirrors the one before.
        const [cx, cy] = control ? [2 * x - control[0], 2 * y - control[1]] : [x, y]
        control = [cx, cy]
        path += `Q${put(cx, cy)} ${put(points[0]!, points[1]!)}`
      } else {
        const pairs = Array.from({ length: step / 2 }, (_, index) =>
          put(points[2 * index]!, points[2 * index + 1]!),
        )
        path += `${letter}${pairs.join(' ')}`
        control = letter === 'Q' ? [points[0]!, points[1]!] : undefined
      }
      ;[x, y] = [points[step - 2]!, points[step - 1]!]
    }
  }
  return path
}
