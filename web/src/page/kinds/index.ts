import type { PrintedKind, Thing } from '@hand-back/core'
import { choice } from './choice.tsx'
import { direction } from './direction.tsx'
import { film } from './film.tsx'
import { formula } from './formula.tsx'
import type { LaidKind, Put } from './laidKind.ts'
import { link } from './link.tsx'
import type { PageKind } from './pageKind.ts'
import { photo } from './photo.tsx'
import { picture } from './picture.tsx'
import { plot } from './plot.tsx'
import { shape } from './shape.tsx'
import { speak } from './speak.tsx'
import { table } from './table.tsx'
import { text } from './text.tsx'
import { typed } from './typed.tsx'
import { voice } from './voice.tsx'

/** It is only looked at; cards are moved by hand (answers/Cards.tsx). */
const looked = {}

/** How every printed kind is worked with on a copy. */
export const PAGE_KINDS: { readonly [Kind in PrintedKind]: PageKind<Kind> } = {
  text: looked,
  direction: looked,
  formula: looked,
  picture: looked,
  piece: looked,
  shape: looked,
  table: looked,
  ink: looked,
  card: looked,
  drop: looked,
  plot,
  film,
  voice,
  link,
  typed,
  choice,
  speak,
  photo,
}

/** How every kind of thing is worked with that people lay on a page, in the order in which they are offered. */
export const LAID_KINDS = { text, direction, shape, table, formula, picture, film: {} } satisfies {
  readonly [Kind in Thing['kind']]: LaidKind<Kind>
}

type Laid = typeof LAID_KINDS
/** A way to put something on a page, by its name. */
export type Putting = {
  [Kind in keyof Laid]: Laid[Kind] extends { puts: infer Puts } ? keyof Puts : never
}[keyof Laid]

type AnyPut = { readonly kind: Thing['kind'] } & Put<Thing['kind']>
/** All ways to put a new thing down by a press or a drag, with its kind. */
export const PUTS = new Map(
  Object.entries(LAID_KINDS).flatMap(([kind, of]) =>
    Object.entries('puts' in of ? of.puts : {}).map(([name, put]) => [name, { kind, ...put }]),
  ) as [Putting, AnyPut][],
)

/** How a thing's kind is worked with. */
export const laidKindOf = (thing: Thing): LaidKind<Thing['kind']> =>
  LAID_KINDS[thing.kind] as LaidKind<Thing['kind']>
