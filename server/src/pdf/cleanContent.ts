import { operationsOf } from './contentTokens.ts'

/** The kinds of resources that a content stream names, as its resource dictionary calls them. */
export const RESOURCES = [
  'XObject',
  'Font',
  'ExtGState',
  'ColorSpace',
  'Pattern',
  'Shading',
  'Properties',
] as const
export type ResourceKind = (typeof RESOURCES)[number]
export type Used = Record<ResourceKind, Set<string>>

/** What of a content stream hides something. */
export interface Hides {
  /** Whether the marked-content property of this name is a layer that is hidden. */
  property(name: string): boolean
  /** Whether the external object of this name lies on a hidden layer. */
  object(name: string): boolean
}

/** Which piece of marked content a property list of this name is, for the tags that describe it. */
export type MarkOf = (name: string) => number | undefined

const DRAWS = new Set('m l c v y h re S s f F f* B B* b b* n W W* Do sh BI Tj TJ'.split(' '))

export interface CleanContent {
  readonly content: string
  readonly used: Used
  /** The pieces of marked content that are kept, by their number (MCID). */
  readonly marks: ReadonlySet<number>
}

/**
 * A content stream without what lies on hidden layers, and without texts that stand in for what is
 * shown; and the resources that what is left names. Names come without their slash. With `markOf`, marked
 * content keeps the number by which tags describe it.
 */
export function cleanContent(content: string, hides: Hides, markOf?: MarkOf): CleanContent {
  const used = Object.fromEntries(RESOURCES.map((kind) => [kind, new Set<string>()])) as Used
  const kept: string[] = []
  const marks = new Set<number>()
  /** For each marked content that is open, whether it is hidden. */
  const open: boolean[] = []
  for (const { operator, operands, text } of operationsOf(content)) {
    const hidden = open.includes(true)
    const last = nameIn(operands.at(-1))
    switch (operator) {
      case 'BDC':
      case 'BMC': {
        const layer = operator === 'BDC' && operands[0] === '/OC' ? last : undefined
        open.push(layer !== undefined && hides.property(layer))
        if (layer !== undefined && !hidden && !open.at(-1)) {
          used.Properties.add(layer)
          kept.push(text)
          continue
        }
        const mark = hidden || !markOf ? undefined : markIn(operands[1], markOf)
        if (mark !== undefined) marks.add(mark)
        kept.push(`${operands[0] ?? '/Span'} ${mark === undefined ? 'BMC' : `<</MCID ${mark}>> BDC`}`)
        continue
      }
      case 'EMC':
        if (open.pop() !== undefined) kept.push(text)
        continue
      case 'MP':
      case 'DP':
        continue
    }
    if (hidden) {
      kept.push(...stateOnly(operator, operands, text))
      if (DRAWS.has(operator)) continue
    } else {
      if (operator === 'Do' && last !== undefined && hides.object(last)) continue
      kept.push(text)
    }
    note(used, operator, operands, last, text)
  }
  return { content: kept.join('\n'), used, marks }
}

/** A page has fewer pieces of marked content than this: their parents are kept as a list by number. */
const MOST_MARKS = 100_000

function markIn(properties: string | undefined, markOf: MarkOf): number | undefined {
  const given = properties?.startsWith('<<') ? /\/MCID\s+(\d+)/.exec(properties)?.[1] : undefined
  const called = nameIn(properties)
  const mark = given === undefined ? called && markOf(called) : Number(given)
  return typeof mark === 'number' && mark < MOST_MARKS ? mark : undefined
}

/** What an operator on a hidden layer leaves for what comes after it: the state, nothing drawn. */
function stateOnly(operator: string, operands: readonly string[], text: string): string[] {
  if (operator === "'") return ['T*']
  if (operator === '"') return [`${operands[0]} Tw ${operands[1]} Tc T*`]
  return DRAWS.has(operator) ? [] : [text]
}

function note(
  used: Used,
  operator: string,
  operands: readonly string[],
  last: string | undefined,
  text: string,
): void {
  if (operator === 'Tf') used.Font.add(nameIn(operands[0]) ?? '')
  else if (operator === 'BI')
    for (const [, name] of text.matchAll(/\/(?:CS|ColorSpace)\s*\/([^\s/<>[\]()]+)/g))
      used.ColorSpace.add(plainName(name!))
  if (last === undefined) return
  if (operator === 'Do') used.XObject.add(last)
  else if (operator === 'gs') used.ExtGState.add(last)
  else if (operator === 'cs' || operator === 'CS') used.ColorSpace.add(last)
  else if (operator === 'scn' || operator === 'SCN') used.Pattern.add(last)
  else if (operator === 'sh') used.Shading.add(last)
}

const nameIn = (operand: string | undefined): string | undefined =>
  operand?.startsWith('/') ? plainName(operand.slice(1)) : undefined

/** A name with its escapes (#20) read (ISO 32000-2, 7.3.5). */
const plainName = (written: string): string =>
  written.replace(/#([0-9a-fA-F]{2})/g, (_all, hex) => String.fromCharCode(Number.parseInt(hex, 16)))
