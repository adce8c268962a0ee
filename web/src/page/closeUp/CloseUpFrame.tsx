import { type PointerEvent, useRef } from 'react'
import { toPage, type View } from '../view/view.ts'
import type { CloseUpWindow } from './useCloseUp.ts'

interface CloseUpFrameProps {
  closeUp: CloseUpWindow
  view: View
}

/** Where the strip is on the page: drag it to write somewhere else. */
export function CloseUpFrame({ closeUp, view }: CloseUpFrameProps) {
  const { window } = closeUp
  const from = useRef<{ x: number; y: number }>(undefined)
  const place = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.closest('[data-surface]')!.getBoundingClientRect()
    return toPage(view, { x: event.clientX - box.left, y: event.clientY - box.top })
  }
  return (
    <div
      data-takes="all"
      data-testid="close-up-frame"
      className="pointer-events-auto absolute cursor-move touch-none border-2 border-verdigris bg-verdigris/5"
      style={{
        left: window.x * view.scale + view.x,
        top: window.y * view.scale + view.y,
        width: window.width * view.scale,
        height: window.height * view.scale,
      }}
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
      onPointerUp={() => {
        from.current = undefined
      }}
      onPointerCancel={() => {
        from.current = undefined
      }}
    />
  )
}
