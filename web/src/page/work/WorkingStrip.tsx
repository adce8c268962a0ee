import type { ReactNode } from 'react'
import { FillStrip } from '../fill/fillPart.ts'
import { PickedStrip } from '../picking/PickedStrip.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { WriteLargeSign } from '../strip/signs.ts'
import { ZoomButtons } from '../surface/ZoomButtons.tsx'
import { PutMenu } from '../things/PutMenu.tsx'
import { PageStrip } from './PageStrip.tsx'
import type { Work } from './useWork.ts'
import { ViewMenu } from './ViewMenu.tsx'

interface WorkingStripProps {
  work: Work
  upright: boolean
  /** More that can be put on the page. */
  children?: ReactNode
  /** Looks back in time, where there is something to look back at. */
  onLookBack?: (() => void) | undefined
  onPrint?: (() => void) | undefined
  onSave?: (() => void) | undefined
  /** Goes through what came back. */
  onFeedback?: (() => void) | undefined
  /** Reads the page aloud, where the device has a voice. */
  onRead?: (() => void) | undefined
  /** Plays all that is spoken on the page, where something is. */
  onHear?: (() => void) | undefined
  /** Takes a sound that was made elsewhere. */
  onSound?: ((file: File) => void) | undefined
  /** Films something. */
  onFilm?: (() => void) | undefined
  /** Takes work from paper. */
  onPaper?: (() => void) | undefined
  /** Says something at a place of the page. */
  onPin?: (() => void) | undefined
  /** What else can be chosen in the view menu. */
  moreView?: ReactNode
}

/** The row of tools: pens, or what can be done with what is picked up. */
export function WorkingStrip(props: WorkingStripProps) {
  const {
    work,
    upright,
    children,
    onLookBack,
    onFeedback,
    onPrint,
    onSave,
    onRead,
    onHear,
    onSound,
    onFilm,
    onPaper,
    onPin,
    moreView,
  } = props
  const { tools, picking, pasting, formulas, writing, surface, person } = work
  const picked = picking.items.length > 0
  const fills = tools.tool === 'fill' && !picked
  return (
    <PageStrip
      tools={tools}
      upright={upright}
      canUndo={work.canUndo}
      canRedo={work.canRedo}
      onUndo={work.undo}
      onRedo={work.redo}
      neat={work.neat}
      picked={
        picked ? (
          <PickedStrip
            picking={picking}
            onCopy={pasting.copy}
            onWords={work.things.open}
            onFormula={formulas.open}
          />
        ) : (
          fills && <FillStrip tools={tools} onClose={() => tools.setTool('pen')} />
        )
      }
    >
      {!picked && !fills && (
        <>
          <PutMenu
            tools={tools}
            onPicture={(file) => void pasting.addPicture(file)}
            onFormula={() => formulas.open()}
            onInstrument={work.layInstrument}
            onSound={onSound}
            onFilm={onFilm}
            onPaper={onPaper}
            onPin={onPin}
            {...(pasting.hasLast() ? { onPaste: pasting.pasteLast } : {})}
          />
          {children}
          <StripButton
            icon={WriteLargeSign}
            label="Write large"
            pressed={work.large}
            onClick={work.toggleLarge}
          />
          {!upright && <ZoomButtons surface={surface} />}
          <ViewMenu
            person={person}
            surface={surface}
            onLookBack={onLookBack}
            onFeedback={onFeedback}
            onPrint={onPrint}
            onSave={onSave}
            onClear={writing && work.clear}
            onRead={onRead}
            onHear={onHear}
            onKeys={work.showKeys}
            more={moreView}
          />
        </>
      )}
    </PageStrip>
  )
}
