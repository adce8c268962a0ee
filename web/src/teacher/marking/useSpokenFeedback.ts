import { boundsOfItem, type Person, type Placed, type VoiceNote, type WorksheetPage } from '@hand-back/core'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { useSpeaking } from '../../page/voice/useSpeaking.ts'
import type { Seen } from '../../page/work/useWriting.ts'
import { placeFor } from '../../page/work/workingNotes.ts'
import { sayProblem } from '../../ui/notices.ts'
import type { MarkedQuestion, Marks } from './useMarks.ts'
import { freeAt } from './useRemarkPlaces.ts'

interface SpokenOn {
  copy: string
  store: CopyStore
  person: Person
  pages: readonly WorksheetPage[]
  index: number
  seen: Seen
  mine: (placed: Placed) => boolean
  marks: Marks
  /** The question whose mark one is at. */
  hand: MarkedQuestion | undefined
  surface: Surface | undefined
  /** Feedback can be given now. */
  writes: boolean
}

/** Feedback that is spoken: it lies at the question one is at, or beside what one wrote last. */
export function useSpokenFeedback(on: SpokenOn) {
  const { copy, store, person, pages, index, seen, mine, marks, hand, surface, writes } = on
  const page = pages[index]!
  const speaking = useSpeaking({ copy, store, person, pages, page, open: writes, keepsOnLeaving: true })
  const place = () => {
    const questions = marks.questions.map(({ question }) => question)
    if (hand) return freeAt(hand, [TAG], store, pages, questions).at
    const last = seen.placed.findLast((placed) => mine(placed) && placed.item.kind !== 'mark')
    return placeFor(surface, seen.notes.length, page, last && boundsOfItem(last.item))
  }
  const speak = () => void speaking.begin({ page: page.id, ...place() }).catch(sayProblem)
  return { speaking, speak }
}

/** As large as what will lie there. */
const TAG: VoiceNote = { id: '', kind: 'voice', x: 0, y: 0, recording: '', seconds: 0 }
