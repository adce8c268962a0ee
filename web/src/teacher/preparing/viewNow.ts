import type { Surface } from '../../page/surface/Surface.ts'

let shown: Surface | undefined

/** Tells which surface shows the page being prepared. */
export function nowShown(surface: Surface | undefined): void {
  shown = surface
}

/** The keys go to the page: arrows move what is picked, Control+Z undoes. */
export function focusPage(): void {
  document.querySelector<HTMLElement>('[data-testid=preparing]')?.focus({ preventScroll: true })
}

export const surfaceShown = (): Surface | undefined => shown

/** The place of the page in the middle of what is seen. */
export function middleOfView(): { x: number; y: number } {
  return shown?.middle() ?? { x: 200, y: 200 }
}
