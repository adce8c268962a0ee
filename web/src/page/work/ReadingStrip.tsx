import { Clock3, Pin, Printer } from 'lucide-react'
import { StripBar } from '../strip/StripBar.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { ZoomButtons } from '../surface/ZoomButtons.tsx'
import type { Work } from './useWork.ts'
import { ViewMenu } from './ViewMenu.tsx'

interface ReadingStripProps {
  work: Work
  upright: boolean
  onLookBack?: (() => void) | undefined
  onPrint?: (() => void) | undefined
  onSave?: (() => void) | undefined
  onRead?: (() => void) | undefined
  onFeedback?: (() => void) | undefined
  onHear?: (() => void) | undefined
  /** Says something at a place of the page. */
  onPin?: (() => void) | undefined
}

/** The row of controls of a page that is only to be read. */
export function ReadingStrip({
  work,
  upright,
  onLookBack,
  onPrint,
  onSave,
  onRead,
  onFeedback,
  onHear,
  onPin,
}: ReadingStripProps) {
  return (
    <StripBar label="Reading" upright={upright}>
      <ZoomButtons surface={work.surface} always />
      {onPin && <StripButton icon={Pin} label="Pin" onClick={onPin} />}
      {onLookBack && <StripButton icon={Clock3} label="Look back" onClick={onLookBack} />}
      {onPrint && <StripButton icon={Printer} label="Print" onClick={onPrint} />}
      <ViewMenu
        person={work.person}
        surface={work.surface}
        onRead={onRead}
        onHear={onHear}
        onFeedback={onFeedback}
        onSave={onSave}
        onKeys={work.showKeys}
      />
    </StripBar>
  )
}
