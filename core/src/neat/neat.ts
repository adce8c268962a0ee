import type { Shape } from '../kinds/shape.ts'

/** A shape without what the pen says: colour and width of its line. */
export type Neat = Pick<Shape, 'x' | 'y' | 'width' | 'height' | 'form'> & {
  /** Clockwise as it is seen, in degrees. */
  readonly turn: number
} & Partial<Pick<Shape, 'rising' | 'heads' | 'corners'>>
