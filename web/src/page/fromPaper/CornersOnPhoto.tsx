import type { Corners, Point } from '@hand-back/core'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'

const NAMES = ['Upper left corner', 'Upper right corner', 'Lower right corner', 'Lower left corner'] as const
/** What an arrow key moves a corner by, as part of the photo's longer side; with Shift ten times. */
const STEP = 0.002
const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

interface CornersOnPhotoProps {
  url: string
  width: number
  height: number
  corners: Corners
  onMove: (corners: Corners) => void
  /** A corner rests where it was put. */
  onPut: () => void
}

/** A photo with the corners of its sheet, each to be moved by hand. */
export function CornersOnPhoto({ url, width, height, corners, onMove, onPut }: CornersOnPhotoProps) {
  const photo = useRef<HTMLDivElement>(null)
  const put = (index: number, { x, y }: Point) => {
    const at = { x: Math.min(width, Math.max(0, x)), y: Math.min(height, Math.max(0, y)) }
    onMove(corners.map((corner, of) => (of === index ? at : corner)) as unknown as Corners)
  }
  const drag = (index: number) => (event: PointerEvent) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return
    const box = photo.current!.getBoundingClientRect()
    put(index, {
      x: ((event.clientX - box.left) / box.width) * width,
      y: ((event.clientY - box.top) / box.height) * height,
    })
  }
  const press = (index: number) => (event: KeyboardEvent) => {
    const way = WAYS[event.key]
    if (!way) return
    event.preventDefault()
    const far = STEP * Math.max(width, height) * (event.shiftKey ? 10 : 1)
    const { x, y } = corners[index]!
    put(index, { x: x + way[0] * far, y: y + way[1] * far })
  }
  return (
    <div className="grid place-items-center">
      <div
        ref={photo}
        className="relative touch-none select-none"
        style={{ aspectRatio: width / height, width: `min(100%, calc(56vh * ${width / height}))` }}
      >
        <img src={url} alt="What you chose" draggable={false} className="block size-full rounded-tag" />
        <svg
          viewBox={`0 0 ${width} ${height}`}
          className="absolute inset-0 size-full overflow-visible"
          aria-hidden="true"
        >
          <path
            fillRule="evenodd"
            fill="#1e2b3a"
            fillOpacity={0.35}
            d={`M0 0H${width}V${height}H0ZM${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`}
          />
          <polygon
            points={corners.map(({ x, y }) => `${x},${y}`).join(' ')}
            fill="none"
            stroke="#1b6e68"
            strokeWidth={2.5}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {corners.map(({ x, y }, index) => (
          <button
            key={NAMES[index]}
            type="button"
            aria-label={NAMES[index]}
            className="absolute grid size-11 -translate-x-1/2 -translate-y-1/2 cursor-move touch-none place-items-center rounded-full"
            style={{ left: `${(x / width) * 100}%`, top: `${(y / height) * 100}%` }}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={drag(index)}
            onPointerUp={onPut}
            onKeyDown={press(index)}
            onKeyUp={(event) => WAYS[event.key] && onPut()}
          >
            {/* Open in the middle: the corner of the paper is seen through it. */}
            <span className="size-6 rounded-full border-[3px] border-verdigris bg-sheet/25" />
          </button>
        ))}
      </div>
    </div>
  )
}
