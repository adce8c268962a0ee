import { CircleCheck } from 'lucide-react'
import { StripButton } from '../../page/strip/StripButton.tsx'
import type { Surface } from '../../page/surface/Surface.ts'
import { ZoomButtons } from '../../page/surface/ZoomButtons.tsx'

interface ViewRowProps {
  surface: Surface | undefined
  rightShown: boolean
  onRight: (shown: boolean) => void
}

/** How the page being prepared is seen: how large, and with what is right. */
export function ViewRow({ surface, rightShown, onRight }: ViewRowProps) {
  return (
    <div role="toolbar" aria-label="How the page is seen" className="flex shrink-0 items-center gap-1">
      <StripButton
        icon={CircleCheck}
        label="What is right"
        pressed={rightShown}
        onClick={() => onRight(!rightShown)}
      />
      <ZoomButtons surface={surface} always />
    </div>
  )
}
