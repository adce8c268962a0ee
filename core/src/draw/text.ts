import type { Box } from '../worksheet/box.ts'
import type { Drawn, Lettering, Measure } from './drawn.ts'

/** From one baseline to the next, and from the top of a line to its baseline, as multiples of the size. */
export const LINE_HEIGHT = 1.35
const BASELINE = 1.02

/**
 * Breaks a text into lines no wider than `width` points: at its own line ends, else between words, and
 * within a word that alone is too long.
 *
 * Laws: the lines, put together, hold every letter of the text in order but spaces at breaks; a line
 * is wider than `width` only if it is a single letter.
 */
export function breakLines(text: string, width: number, lettering: Lettering, measure: Measure): string[] {
  return text.split(/\r?\n/).flatMap((paragraph) => breakParagraph(paragraph, width, lettering, measure))
}

function breakParagraph(text: string, width: number, lettering: Lettering, measure: Measure): string[] {
  if (measure(text, lettering) <= width) return [text]
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/(?<=\s)(?=\S)/)) {
    if (measure((line + word).trimEnd(), lettering) <= width) {
      line += word
      continue
    }
    if (line !== '') lines.push(line.trimEnd())
    line = word
    while (measure(line.trimEnd(), lettering) > width && [...line].length > 1) {
      const fits = lettersThatFit(line, width, lettering, measure)
      lines.push(line.slice(0, fits))
      line = line.slice(fits)
    }
  }
  lines.push(line.trimEnd())
  return lines
}

function lettersThatFit(word: string, width: number, lettering: Lettering, measure: Measure): number {
  const letters = [...word]
  let low = 1
  let high = letters.length
  while (low < high) {
    const half = Math.ceil((low + high) / 2)
    if (measure(letters.slice(0, half).join(''), lettering) <= width) low = half
    else high = half - 1
  }
  return letters.slice(0, low).join('').length
}

export interface TextStyle extends Lettering {
  readonly colour: string
  readonly align?: 'left' | 'centre' | 'right'
  readonly list?: 'none' | 'dots' | 'numbers'
}

/** How far a list's text stands in, as a multiple of its size. */
const LIST_INDENT = 1.5

/** A text as it is drawn in a box from its top, and how high it is in points; it may be higher than the box. */
export function drawnText(
  text: string,
  box: Box,
  style: TextStyle,
  measure: Measure,
): { drawn: Drawn[]; height: number } {
  const { face, size, bold, colour, align = 'left', list = 'none' } = style
  const drawn: Drawn[] = []
  const indent = list === 'none' ? 0 : size * LIST_INDENT
  let y = box.y
  let number = 0
  const put = (line: string, x: number) =>
    line !== '' &&
    drawn.push({ kind: 'text', text: line, x, y: y + size * BASELINE, face, size, bold, colour })
  for (const paragraph of text.split(/\r?\n/)) {
    const sign = list === 'dots' ? '•' : `${++number}.`
    if (list !== 'none' && paragraph.trim() !== '') put(sign, box.x + (list === 'dots' ? size * 0.4 : 0))
    for (const line of breakLines(paragraph, box.width - indent, style, measure)) {
      const spare = box.width - indent - (align === 'left' ? 0 : measure(line, style))
      const shift = align === 'left' ? 0 : align === 'right' ? spare : spare / 2
      put(line, box.x + indent + shift)
      y += size * LINE_HEIGHT
    }
  }
  return { drawn, height: y - box.y }
}

/** A text in the middle of a box, both ways. */
export function centredText(text: string, box: Box, style: TextStyle, measure: Measure): Drawn[] {
  const centred = { ...style, align: 'centre' as const }
  const { height } = drawnText(text, box, centred, measure)
  return drawnText(text, { ...box, y: box.y + (box.height - height) / 2 }, centred, measure).drawn
}

/** The height of a text in points, at a width in points. */
export function textHeight(text: string, width: number, style: TextStyle, measure: Measure): number {
  return drawnText(text, { x: 0, y: 0, width, height: 0 }, style, measure).height
}
