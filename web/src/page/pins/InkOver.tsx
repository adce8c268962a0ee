import type { Stroke } from '@hand-back/core'
import type { ReactNode } from 'react'
import { strokeAsPath } from '../draw/outlinePath.ts'
import type { View } from '../view/view.ts'

/** Ink over a page, in its points. */
export function InkOver({ view, children }: { view: View; children: ReactNode }) {
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      aria-hidden="true"
      data-testid="drawn while speaking"
    >
      <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`}>{children}</g>
    </svg>
  )
}

export function Strokes({ strokes }: { strokes: readonly Stroke[] }) {
  return strokes.map((stroke) => <path key={stroke.id} d={strokeAsPath(stroke)} fill={stroke.colour} />)
}
