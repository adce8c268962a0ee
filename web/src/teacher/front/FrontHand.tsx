import type { Box } from '@hand-back/core'
import { type PointerEvent, useRef } from 'react'
import { live } from '../../api/live.ts'
import { DrawBox } from '../../lesson/DrawBox.tsx'
import type { View } from '../../page/view/view.ts'
import type { FrontSheet } from './FrontSheets.tsx'

/** Where one points is told no more often than this, in milliseconds. */
const EVERY = 50

interface FrontHandProps {
  handout: string
  sheet: FrontSheet
  view: View
  /** Told a part that was drawn round; left out: one points. */
  onPart?: ((part: Box) => void) | undefined
}

/** A hand over a sheet at the front: pressed, it points, on everybody's page too; or it draws round a part. */
export function FrontHand({ handout, sheet, view, onPart }: FrontHandProps) {
  const told = useRef(0)
  const point = (event: PointerEvent<HTMLElement>) => {
    if (event.buttons === 0 || performance.now() - told.current < EVERY) return
    told.current = performance.now()
    const { left, top } = event.currentTarget.getBoundingClientRect()
    const x = (event.clientX - left - view.x) / view.scale
    const y = (event.clientY - top - view.y) / view.scale
    const { copy, page } = sheet
    live().emit('point', { handout, page: page.id, x, y, ...(copy === undefined ? {} : { copy }) })
  }
  if (onPart) return <DrawBox view={view} of={sheet.part} onBox={onPart} />
  return (
    <div
      data-testid="front-hand"
      className="absolute inset-0 cursor-pointer touch-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        point(event)
      }}
      onPointerMove={point}
    />
  )
}
