import { mm, type PrintedItem, type PrintedKind } from '@hand-back/core'
import { card } from './card.tsx'
import { choice } from './choice.tsx'
import { direction } from './direction.tsx'
import { drop } from './drop.tsx'
import { film } from './film.tsx'
import { formula } from './formula.tsx'
import { ink } from './ink.tsx'
import { link } from './link.tsx'
import { photo } from './photo.tsx'
import { picture } from './picture.tsx'
import { piece } from './piece.tsx'
import { plot } from './plot.tsx'
import { shape } from './shape.tsx'
import { speak } from './speak.tsx'
import { table } from './table.tsx'
import type { Listed, TeacherKind } from './teacherKind.ts'
import { text } from './text.tsx'
import { typed } from './typed.tsx'
import { voice } from './voice.tsx'

/** How every printed kind is prepared, in the order of the list. */
export const TEACHER_KINDS = {
  text,
  direction,
  picture,
  film,
  voice,
  piece,
  formula,
  link,
  typed,
  choice,
  drop,
  speak,
  photo,
  card,
  shape,
  table,
  plot,
  ink,
} satisfies { readonly [Kind in PrintedKind]: TeacherKind<Kind> }

type Entry = Listed<PrintedKind> & { readonly kind: PrintedKind; readonly group: string }
const LISTED = new Map(
  Object.entries(TEACHER_KINDS).flatMap(([kind, { group, list }]) =>
    Object.entries(list).map(([name, listed]) => [name, { kind, group, ...listed }]),
  ) as [string, Entry][],
)

/** The list at the side, by what one wants to do: ways to put printed kinds on a page, and a question's area. */
export const GROUPS: readonly (readonly [string, readonly string[]])[] = [
  ...['Tell', 'Ask', 'Move', 'Draw'].map(
    (group) => [group, [...LISTED].flatMap(([name, of]) => (of.group === group ? [name] : []))] as const,
  ),
  ['Mark', ['question']],
]

export const kindName = (name: string): string => LISTED.get(name)?.name ?? 'Question area'

/** How something is put down by a press or a drag; nothing for what is not. */
export function putOf(name: string) {
  const listed = LISTED.get(name)
  return listed?.put && { kind: listed.kind, ...listed.put }
}

/** The size of a press without a drag, in points. */
export function pressSize(name: string): { width: number; height: number } {
  const [width, height] = putOf(name)?.size ?? [0, 0]
  return { width: mm(width), height: mm(height) }
}

/** How a thing's kind is prepared. */
export const teacherKindOf = (item: PrintedItem) =>
  TEACHER_KINDS[item.kind] as unknown as TeacherKind<PrintedKind>

/** The name of a thing that is there. */
export const itemName = (item: PrintedItem): string => teacherKindOf(item).name(item)
