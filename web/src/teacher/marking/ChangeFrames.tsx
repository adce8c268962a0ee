import type { Box } from '@hand-back/core'
import type { View } from '../../page/view/view.ts'
import type { Changes } from './useChanges.ts'

/** So far from what it stands beside, in CSS pixels. */
const ROOM = 8

/** Bars beside what is new on a page, as printers set them beside changed lines; dots around what is gone. */
export function ChangeFrames({ changes: { fresh, gone }, view }: { changes: Changes; view: View }) {
  return (
    <div aria-hidden="true" className="pointer-events-none">
      {fresh.map((box) => (
        <div
          key={`${box.x} ${box.y}`}
          data-testid="fresh"
          className="absolute rounded-sm border-l-[5px] border-verdigris bg-verdigris/5"
          style={around(box, view)}
        />
      ))}
      {gone.map((box) => (
        <div
          key={`${box.x} ${box.y}`}
          data-testid="gone"
          className="absolute rounded-sm border-2 border-dotted border-ink-soft"
          style={around(box, view)}
        />
      ))}
    </div>
  )
}

const around = (box: Box, view: View) => ({
  left: view.x + box.x * view.scale - ROOM,
  top: view.y + box.y * view.scale - ROOM,
  width: box.width * view.scale + 2 * ROOM,
  height: box.height * view.scale + 2 * ROOM,
})
