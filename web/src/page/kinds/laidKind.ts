import type { Thing, Tone } from '@hand-back/core'
import type { LucideIcon } from 'lucide-react'
import type { ReactNode } from 'react'

/** A way across the page, in points; one of no length is a press. */
export interface Way {
  readonly from: { readonly x: number; readonly y: number }
  readonly to: { readonly x: number; readonly y: number }
}

/** What new things look like. */
export interface Look {
  readonly colour: string
  /** Width of lines, in points. */
  readonly width: number
  /** Of notes. */
  readonly tone: Tone
  /** How many times their usual size they begin in on this page (`timesA4`). */
  readonly times: number
}

/** The size of letters that students type, in points. */
export const LETTERS = 14

/** One way to put a new thing on a page. */
export interface Put<Kind extends Thing['kind']> {
  readonly name: string
  readonly icon: LucideIcon
  /** How large it is that was put down by a press, in mm. */
  readonly size: readonly [width: number, height: number]
  /** Words are as high as they need, and not too narrow to write in. */
  readonly hasWords?: boolean
  /** A drag draws it from end to end; several are drawn in a row. */
  readonly isLine?: true
  /** How a new one differs from a blank one. */
  make(look: Look, way: Way): Partial<Extract<Thing, { kind: Kind }>>
}

export interface ChangeProps<Kind extends Thing['kind']> {
  readonly thing: Extract<Thing, { kind: Kind }>
  change(thing: Thing): void
  onWords(thing: Thing): void
  onFormula(thing: Thing): void
}

/** How a kind of thing is worked with that people lay on a page. */
export interface LaidKind<Kind extends Thing['kind']> {
  readonly puts?: Readonly<Record<string, Put<Kind>>>
  /** What can be changed of one that alone is picked up, before its colour and after it. */
  readonly Change?: (props: ChangeProps<Kind>) => ReactNode
  readonly ChangeMore?: (props: ChangeProps<Kind>) => ReactNode
}
