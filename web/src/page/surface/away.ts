import type { Point } from '@hand-back/core'

/** How far two places lie apart, in their own unit. */
export const away = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)
