import type { Box } from '@hand-back/core'
import type { ComponentProps } from 'react'
import { toScreen, type View } from '../view/view.ts'

interface PlaceButtonProps extends Omit<ComponentProps<'button'>, 'style' | 'className'> {
  item: Box
  view: View
  /** It is at work: the microphone is open. */
  busy?: boolean
  /** It stands left of another. */
  second?: boolean
}

/** As broad as the one beside it, with some air, in CSS pixels. */
const WIDE = 50

/** The action of an answer place, in its upper right corner. */
export function PlaceButton({ item, view, busy = false, second = false, ...button }: PlaceButtonProps) {
  const at = toScreen(view, { x: item.x + item.width, y: item.y })
  return (
    <button
      type="button"
      data-takes="all"
      {...button}
      className={`pointer-events-auto absolute flex min-h-[44px] min-w-[44px] -translate-x-full items-center justify-center gap-1 rounded-tag border px-2 font-semibold ${busy ? 'border-ink bg-sheet' : 'border-verdigris bg-card text-verdigris'}`}
      style={{ left: at.x - (second ? 3 + WIDE : 3), top: at.y + 3 }}
    />
  )
}
