import type { CopyWhole, Drawn, Stroke } from '@hand-back/core'
import { type ReactNode, useEffect } from 'react'
import { LaidInstrument } from '../exact/LaidInstrument.tsx'
import { useHabits } from '../habits/useHabits.ts'
import type { Running } from '../surface/PageRun.tsx'
import { PageSurface } from '../surface/PageSurface.tsx'
import { TintedPaper } from '../surface/TintedPaper.tsx'
import { WordsEditor } from '../things/WordsEditor.tsx'
import type { View } from '../view/view.ts'
import { CloseUp, FormulaDialog, KeysDialog, PickedBox, TableLines, warmParts } from './parts.ts'
import type { Work } from './useWork.ts'

interface WorktopProps {
  copy: CopyWhole
  work: Work
  /** Everything of the copy has been read. */
  ready: boolean
  drawn: readonly Drawn[]
  /** Drawn in place of the page's own strokes, in other colours. */
  strokes?: readonly Stroke[] | undefined
  photoUrl: (name: string) => string
  label: string
  /** Pages one under another; left out: one by one. */
  running?: Running | undefined
  onView?: (view: View, window: { width: number; height: number }) => void
  /** What else lies on the page, placed by the view. */
  laid: (view: View) => ReactNode
  /** What stands over the window of the page: its tabs, a notice. */
  children: ReactNode
  /** What stands beside the page where there is room, and over its foot where there is none. */
  margin?: ReactNode
  /** The strip of tools, lying where this person's habit wants it. */
  strip: (upright: boolean) => ReactNode
}

/** A page with everything that hands need at it: what is picked up or typed, writing large, and the strip of tools. */
export function Worktop(props: WorktopProps) {
  const { copy, work, ready, drawn, strokes = work.strokes, photoUrl, label, running, onView, laid } = props
  const { page, person, writing, picking, things, closeUp, formulas } = work
  const [{ strip = 'bottom', finger = 'until pen', tint }] = useHabits(person.id)
  useEffect(() => (ready ? warmParts() : undefined), [ready])
  const side = { left: 'flex-row-reverse', right: '', bottom: 'flex-col' }[strip]
  return (
    <div className={`flex min-h-0 flex-1 ${side}`}>
      <div className="@container relative flex min-h-0 min-w-0 flex-1">
        <main
          className="relative flex min-h-0 min-w-0 flex-1"
          aria-busy={!ready}
          onDragOver={(event) => event.preventDefault()}
          onDrop={(event) => {
            event.preventDefault()
            if (writing) work.pasting.paste(event.dataTransfer)
          }}
        >
          <PageSurface
            page={page}
            drawn={drawn}
            strokes={strokes}
            photoUrl={photoUrl}
            writing={writing}
            finger={finger}
            onSurface={work.setSurface}
            running={running}
            {...(onView ? { onView } : {})}
            label={label}
            over={
              work.large && writing
                ? (view, room) => (
                    <CloseUp
                      page={page}
                      drawn={drawn}
                      strokes={strokes}
                      photoUrl={photoUrl}
                      writing={writing}
                      closeUp={closeUp}
                      view={view}
                      room={room}
                      covers={work.stripCovers}
                      seen={work.seenPart}
                      bring={work.bring}
                      onClose={work.closeLarge}
                    />
                  )
                : undefined
            }
          >
            {(view) => (
              <>
                {laid(view)}
                {tint && <TintedPaper page={page} view={view} tint={tint} />}
                {picking.bounds && (
                  <PickedBox
                    picking={picking}
                    lines={work.lines}
                    view={view}
                    photoUrl={photoUrl}
                    onLift={work.setLifted}
                    onTap={work.openPicked}
                    onClose={picking.letGo}
                  />
                )}
                {writing && (
                  <LaidInstrument
                    person={person}
                    instruments={work.instruments}
                    writing={writing}
                    view={view}
                  />
                )}
                {work.tableLines && <TableLines {...work.tableLines} view={view} onClose={picking.letGo} />}
                {things.typing && (
                  <WordsEditor thing={things.typing} view={view} onType={things.type} onDone={things.done} />
                )}
              </>
            )}
          </PageSurface>
          {props.children}
        </main>
        {props.margin}
      </div>
      {props.strip(strip !== 'bottom')}
      {work.keysShown && <KeysDialog person={person} groups={work.keys} onClose={work.hideKeys} />}
      {formulas.writing && (
        <FormulaDialog
          key={copy.id}
          formula={formulas.writing.formula}
          onClose={formulas.close}
          onDone={formulas.done}
        />
      )}
    </div>
  )
}
