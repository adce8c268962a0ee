import type { WorksheetPage } from '@hand-back/core'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { toPage, type View } from '../view/view.ts'
import { lineStep } from './closeUp.ts'
import type { CloseUpWindow } from './useCloseUp.ts'

interface EdgeProps {
  closeUp: CloseUpWindow
  view: View
  page: WorksheetPage
  /** In CSS pixels. */
  height: number
}

/** How far a press of an arrow key goes along the line, as a part of what is seen large. */
const STEP = 0.25

/**
 * The edge of what is seen large: it underlines the part of the page's line that one writes on. Dragged, or
 * moved by arrow keys, it is somewhere else that one writes.
 */
export function Edge({ closeUp, view, page, height }: EdgeProps) {
  const { window } = closeUp
  const from = useRef<{ x: number; y: number }>(undefined)
  const place = ({ clientX, clientY }: PointerEvent) => toPage(view, { x: clientX, y: clientY })
  const letGo = () => {
    from.current = undefined
  }
  const byKey = (event: KeyboardEvent) => {
    const [along, down] = ARROWS[event.key] ?? []
    if (along === undefined || down === undefined) return
    event.preventDefault()
    event.stopPropagation()
    const x = window.x + along * window.width * STEP
    closeUp.move({ x, y: window.y + down * lineStep(page, window.height) })
  }
  return (
    <div className="relative shrink-0 border-t border-verdigris/40" style={{ height }}>
      <button
        type="button"
        aria-label="Where it is written: drag it, or arrow keys"
        data-testid="close-up-edge"
        // A finger needs more than what is seen of it.
        className="group absolute -top-1.5 bottom-0 cursor-move touch-none border-t-[5px] border-verdigris"
        style={{ left: window.x * view.scale + view.x, width: window.width * view.scale }}
        onKeyDown={byKey}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          const at = place(event)
          from.current = { x: at.x - window.x, y: at.y - window.y }
        }}
        onPointerMove={(event) => {
          if (!from.current) return
          const at = place(event)
          closeUp.move({ x: at.x - from.current.x, y: at.y - from.current.y })
        }}
        onPointerUp={letGo}
        onPointerCancel={letGo}
      >
        <span className="mx-auto flex h-[20px] w-[72px] max-w-full items-center justify-center gap-1.5 rounded-b-tag bg-verdigris group-active:bg-ink">
          {[0, 1, 2].map((dot) => (
            <span key={dot} className="size-[4px] rounded-full bg-sheet" />
          ))}
        </span>
      </button>
    </div>
  )
}

/** Along the line, and down the page. */
const ARROWS: Record<string, readonly [along: number, down: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
