import type { GoPart, WorksheetPage } from '@hand-back/core'
import type { View } from '../view/view.ts'

interface ClosedVeilProps {
  part: GoPart
  page: WorksheetPage
  view: View
}

/** In a go for chosen questions: those are framed, and over all else of the page lies a veil. */
export function ClosedVeil({ part, page, view }: ClosedVeilProps) {
  const areas = part.areasOn(page.id)
  const { width, height } = page
  const holes = areas.map(({ x, y, width: w, height: h }) => `M${x} ${y}v${h}h${w}v${-h}z`).join('')
  return (
    <svg
      data-testid="closed"
      aria-hidden="true"
      viewBox={`0 0 ${width} ${height}`}
      className="pointer-events-none absolute"
      style={{ left: view.x, top: view.y, width: width * view.scale, height: height * view.scale }}
    >
      <path
        d={`M0 0h${width}v${height}h${-width}z${holes}`}
        fillRule="evenodd"
        className="fill-blotter opacity-35"
      />
      {areas.map(({ x, y, width: w, height: h }) => (
        <rect
          key={`${x} ${y}`}
          x={x}
          y={y}
          width={w}
          height={h}
          className="fill-none stroke-ochre-fill"
          strokeWidth={2.5 / view.scale}
        />
      ))}
    </svg>
  )
}
