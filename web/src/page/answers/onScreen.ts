import { toScreen, type View } from '../view/view.ts'

/** Where a box of the page lies on the screen. */
export function onScreen(view: View, box: { x: number; y: number; width: number; height: number }) {
  const at = toScreen(view, box)
  return { left: at.x, top: at.y, width: box.width * view.scale, height: box.height * view.scale }
}
