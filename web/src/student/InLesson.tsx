import type { CopyState, CopyWhole } from '@hand-back/core'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { Button } from '../ui/Button.tsx'
import { BesideSign } from './BesideSign.tsx'
import { HandUp } from './HandUp.tsx'
import { useHere } from './useHere.ts'

interface InLessonProps {
  copy: CopyWhole
  state: CopyState
  store: CopyStore
  page: string
  /** Whether help of the teacher is hidden; nothing: there is none. */
  hidesHelp: boolean | undefined
  onHideHelp: (hides: boolean) => void
  onLookHere: (page: string) => void
}

/** What goes on between a student and the teacher while the class works: a hand up, a teacher who looks on. */
export function InLesson(props: InLessonProps) {
  const { copy, state, store, page, hidesHelp, onHideHelp, onLookHere } = props
  useHere(copy.id, copy.handout, page, store)
  return (
    <>
      <BesideSign copy={copy} onLookHere={onLookHere} />
      {hidesHelp !== undefined && (
        <Button look="quiet" large onClick={() => onHideHelp(!hidesHelp)}>
          {hidesHelp ? 'Show help' : 'Hide help'}
        </Button>
      )}
      {copy.way !== 'read' && <HandUp copy={copy.id} state={state} />}
    </>
  )
}
