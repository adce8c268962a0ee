import type { CopyState, CopyWhole } from '@hand-back/core'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { BesideSign } from './BesideSign.tsx'
import { HandUp } from './HandUp.tsx'
import { useHere } from './useHere.ts'

interface InLessonProps {
  copy: CopyWhole
  state: CopyState
  store: CopyStore
  page: string
  onLookHere: (page: string) => void
}

/** What goes on between a student and the teacher while the class works: a hand up, a teacher who looks on. */
export function InLesson({ copy, state, store, page, onLookHere }: InLessonProps) {
  useHere(copy.id, copy.handout, page, store)
  return (
    <>
      <BesideSign copy={copy} onLookHere={onLookHere} />
      {copy.way !== 'read' && <HandUp copy={copy.id} state={state} />}
    </>
  )
}
