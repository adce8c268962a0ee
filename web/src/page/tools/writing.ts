import type { Guide, InkPoint, Point, Stroke, Swatch } from '@hand-back/core'
import type { ToolName } from './index.ts'
import type { Rubbed } from './rubbing.ts'

/** What a page does with what is written, rubbed out, picked up and put down on it. */
export interface Writing {
  readonly tool: ToolName
  readonly swatch: Swatch
  /** The eraser rubs out exactly what it passes over, not whole strokes. */
  readonly exact?: boolean
  /** What is picked up is drawn round with a box, not a loop. */
  readonly boxes?: boolean
  /** Whether ink may begin there; left out: everywhere. Where it may not, that is said. */
  mayBegin?(at: Point): boolean
  /** Makes ink of points; `exact`: it is as neat as it was meant. */
  keep(points: readonly InkPoint[], exact?: boolean): void
  /** What guides a stroke that begins at a place: the edge of something to draw along, `reach` points away at most. */
  edge?(at: Point, reach: number): Guide | undefined
  /** Takes away what the eraser, `reach` points around its way, went over. */
  rubOut(rubbed: Rubbed, reach: number): void
  /** Whether this person may take away a stroke. */
  mayTake(stroke: Stroke): boolean
  /** Picks up what lies in a loop; one place: what lies under it, `reach` points around. */
  pickUp?(loop: readonly Point[], reach: number): void
  put?(from: Point, to: Point): void
  /** Fills what lies around a place; settles when it is filled, or that was said which hinders it. */
  fill?(at: Point): Promise<void>
  /** Puts the sign in hand along a way. */
  sign?(way: readonly Point[]): void
  /** What is put is a line from end to end, or fills a box. */
  readonly puts?: 'line' | 'box'
}

/** What one finger does: it writes until a pen is seen, always writes, or always moves the page. */
export type Finger = 'until pen' | 'writes' | 'moves'
