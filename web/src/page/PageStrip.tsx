import { Eraser, Maximize, Redo2, Undo2, ZoomIn, ZoomOut } from 'lucide-react'
import type { ReactNode } from 'react'
import { StripButton } from './StripButton.tsx'
import type { Surface } from './Surface.ts'
import { SwatchStrip } from './SwatchStrip.tsx'
import type { Tools } from './useWriting.ts'

interface PageStripProps {
  tools: Tools
  surface: Surface | undefined
  canUndo: boolean
  canRedo: boolean
  onUndo: () => void
  onRedo: () => void
  /** More tools, between the eraser and the zoom. */
  children?: ReactNode
}

/** The one row of controls under a page. On small screens it slides sideways. */
export function PageStrip({ tools, surface, canUndo, canRedo, onUndo, onRedo, children }: PageStripProps) {
  return (
    <div
      role="toolbar"
      aria-label="Writing"
      className="flex shrink-0 items-center gap-1 overflow-x-auto border-t border-rule bg-card px-3 py-2 max-[560px]:px-1.5"
    >
      <span className="mx-auto" />
      <StripButton icon={Undo2} label="Undo" onClick={onUndo} disabled={!canUndo} />
      <StripButton icon={Redo2} label="Redo" onClick={onRedo} disabled={!canRedo} />
      <Divider />
      <SwatchStrip
        swatches={tools.swatches}
        active={tools.tool === 'pen' ? tools.active : undefined}
        onPick={tools.pick}
        onChange={tools.change}
      />
      <Divider />
      <StripButton
        icon={Eraser}
        label="Rub out"
        pressed={tools.tool === 'eraser'}
        onClick={() => tools.setTool(tools.tool === 'eraser' ? 'pen' : 'eraser')}
      />
      {children}
      <Divider />
      <StripButton icon={ZoomOut} label="Smaller" onClick={() => surface?.zoomBy(0.8)} />
      <StripButton icon={Maximize} label="Fit" onClick={() => surface?.fit()} />
      <StripButton icon={ZoomIn} label="Larger" onClick={() => surface?.zoomBy(1.25)} />
      <span className="mx-auto" />
    </div>
  )
}

function Divider() {
  return <span aria-hidden="true" className="mx-1.5 h-9 w-px shrink-0 bg-rule max-[560px]:mx-0.5" />
}
