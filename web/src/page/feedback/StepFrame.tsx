import type { Box } from '@hand-back/core'
import type { View } from '../view/view.ts'

/** So far from what it frames, in CSS pixels. */
const ROOM = 10

/** A frame around the piece of feedback that is shown. */
export function StepFrame({ box, view }: { box: Box; view: View }) {
  return (
    <div
      aria-hidden="true"
      data-testid="framed"
      className="pointer-events-none absolute rounded-md border-[3px] border-dotted border-madder"
      style={{
        left: view.x + box.x * view.scale - ROOM,
        top: view.y + box.y * view.scale - ROOM,
        width: box.width * view.scale + 2 * ROOM,
        height: box.height * view.scale + 2 * ROOM,
      }}
    />
  )
}
