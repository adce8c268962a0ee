import { Maximize, ZoomIn, ZoomOut } from 'lucide-react'
import { StripButton } from '../strip/StripButton.tsx'
import type { Surface } from './Surface.ts'

/** Zoom by buttons, where the row has room for them, or `always`; elsewhere it is in the view menu. */
export function ZoomButtons({ surface, always }: { surface: Surface | undefined; always?: boolean }) {
  return (
    <span className={`flex gap-1 ${always ? '' : '@max-[1220px]:hidden'}`}>
      <StripButton icon={ZoomOut} label="Smaller" onClick={() => surface?.zoomBy(0.8)} />
      <StripButton icon={Maximize} label="Fit" onClick={() => surface?.fit()} />
      <StripButton icon={ZoomIn} label="Larger" onClick={() => surface?.zoomBy(1.25)} />
    </span>
  )
}
