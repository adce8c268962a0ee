import type { Surface } from '../../page/surface/Surface.ts'

let shown: Surface | undefined

/** Tells which surface shows the page being prepared. */
export function nowShown(surface: Surface | undefined): void {
  shown = surface
}

export const surfaceShown = (): Surface | undefined => shown

/** The place of the page in the middle of what is seen. */
export function middleOfView(): { x: number; y: number } {
  return shown?.middle() ?? { x: 200, y: 200 }
}
