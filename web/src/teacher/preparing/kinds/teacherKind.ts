import type { Printed, PrintedItem, PrintedKind } from '@hand-back/core'
import type { ReactNode } from 'react'

/** Changes the one thing that is picked; steps with the same `field` in a row are one. */
export type SetOf<Item extends PrintedItem> = (set: Partial<Item>, field?: string) => void

export interface PanelProps<Kind extends PrintedKind> {
  readonly item: Printed<Kind>
  readonly set: SetOf<Printed<Kind>>
}

/** An entry of the list of what can be put on a page. */
export interface Listed<Kind extends PrintedKind> {
  readonly name: string
  /** It is put down by a press or a drag; left out: something opens first, or the pen writes. */
  readonly put?: {
    /** The size of a press without a drag, in mm. */
    readonly size: readonly [width: number, height: number]
    /** How it differs from a blank one of its kind. */
    readonly as?: Partial<Printed<Kind>>
    /** A drag draws it from end to end. */
    readonly isLine?: boolean
  }
}

/** How a printed kind is prepared by a teacher. */
export interface TeacherKind<Kind extends PrintedKind> {
  /** What one that is there is called. */
  name(item: Printed<Kind>): string
  /** Where it stands in the list: what one wants to do with it. */
  readonly group: 'Tell' | 'Ask' | 'Move' | 'Draw'
  readonly list: Readonly<Record<string, Listed<Kind>>>
  /** What can be said of one that is picked. */
  readonly Panel: (props: PanelProps<Kind>) => ReactNode
}
