import type { SnapGuide } from '@hand-back/core'
import { toScreen, type View } from '../view/view.ts'

/** The lines that what is held came to lie on. */
export function GuideLines({ guides, view }: { guides: readonly SnapGuide[]; view: View }) {
  return guides.map(({ way, at, from, to }) => {
    const down = way === 'down'
    const place = toScreen(view, down ? { x: at, y: from } : { x: from, y: at })
    const length = (to - from) * view.scale
    return (
      <div
        key={way}
        data-guide={way}
        className="pointer-events-none absolute bg-madder"
        style={{ left: place.x, top: place.y, width: down ? 1 : length, height: down ? length : 1 }}
      />
    )
  })
}
