import { type CopyState, type CopyWhole, type WorksheetPage, worksOn } from '@hand-back/core'
import { useEffect } from 'react'
import { TimeLeft } from '../lesson/TimeLeft.tsx'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { Button } from '../ui/Button.tsx'
import { BesideSign } from './BesideSign.tsx'
import { useFrontSeen } from './BoardInk.tsx'
import { HandUp } from './HandUp.tsx'
import { useHere } from './useHere.ts'
import { useHearLesson, useOwnBoard, useOwnLesson, usePensDown, useShownPage } from './useOwnLesson.ts'

export { PointedOut } from './PointedOut.tsx'
export { Said } from './Said.tsx'

interface InLessonProps {
  copy: CopyWhole
  state: CopyState
  store: CopyStore
  pages: readonly WorksheetPage[]
  page: string
  /** Whether help of the teacher is hidden; nothing: there is none. */
  hidesHelp: boolean | undefined
  onHideHelp: (hides: boolean) => void
  onLookHere: (page: string) => void
  /** Told whether pens are down. */
  onRests: (rests: boolean) => void
  /** Told whether one may write on what is there to be read. */
  onWrites: (writes: boolean) => void
}

/** What goes on between a student and the teacher while the class works: a hand up, a teacher who looks on, the time that is left. */
export function InLesson(props: InLessonProps) {
  const { copy, state, store, pages, page, hidesHelp, onHideHelp, onLookHere, onRests, onWrites } = props
  useHere(copy.id, copy.handout, page, store)
  useHearLesson(copy.id, copy.handout)
  const lesson = useOwnLesson(copy.id)
  const board = useOwnBoard(copy.id)
  const { seen } = useFrontSeen()
  usePensDown(worksOn(state) ? lesson : undefined, onRests)
  useShownPage(lesson, pages, page, onLookHere)
  useEffect(() => () => onRests(false), [onRests])
  const writes = lesson?.writes ?? false
  useEffect(() => onWrites(writes), [writes, onWrites])
  return (
    <>
      <BesideSign copy={copy} onLookHere={onLookHere} />
      <TimeLeft timer={lesson?.timer ?? null} sounds />
      {hidesHelp !== undefined && (
        <Button look="quiet" large onClick={() => onHideHelp(!hidesHelp)}>
          {hidesHelp ? 'Show help' : 'Hide help'}
        </Button>
      )}
      {board !== null && (
        <Button
          look="quiet"
          large
          className="whitespace-nowrap"
          onClick={() => useFrontSeen.setState({ seen: !seen })}
        >
          {seen ? 'Hide front' : 'Show front'}
        </Button>
      )}
      {copy.way !== 'read' && <HandUp copy={copy.id} state={state} />}
    </>
  )
}
