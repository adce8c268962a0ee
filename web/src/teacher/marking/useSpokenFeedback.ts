import {
  boundsOfItem,
  type CopyWhole,
  type Person,
  type Placed,
  type Point,
  USUAL_FILM_SECONDS,
  USUAL_VOICE_SECONDS,
  type VoiceNote,
  type WorksheetPage,
} from '@hand-back/core'
import { type RefObject, useCallback, useRef } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { pinAloud } from '../../page/pins/usePins.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { sayNotRecorded } from '../../page/voice/recorder.ts'
import { useSpeaking } from '../../page/voice/useSpeaking.ts'
import type { Seen } from '../../page/work/useWriting.ts'
import { filmSpot, placeFor } from '../../page/work/workingNotes.ts'
import type { MarkedQuestion, Marks } from './useMarks.ts'
import { freeAt } from './useRemarkPlaces.ts'

interface SpokenOn {
  copy: CopyWhole
  store: CopyStore
  person: Person
  pages: readonly WorksheetPage[]
  index: number
  seen: Seen
  mine: (placed: Placed) => boolean
  marks: Marks
  /** The question whose mark one is at. */
  hand: MarkedQuestion | undefined
  surface: RefObject<Surface | undefined>
  /** Feedback can be given now. */
  writes: boolean
}

/** Feedback that is spoken: it lies at the question one is at, or else beside what one wrote last. */
export function useSpokenFeedback(on: SpokenOn) {
  const { copy, store, person, pages, index, seen, mine, marks, hand, surface, writes } = on
  const page = pages[index]!
  // What is set for students leaves a teacher no less time than usual.
  const longest = Math.max(copy.longestVoice, USUAL_VOICE_SECONDS)
  const speaking = useSpeaking({
    copy: copy.id,
    store,
    person,
    pages,
    page,
    longest,
    longestFilm: USUAL_FILM_SECONDS,
    open: writes,
    pin: (made) => pinAloud(store, made),
    keepsOnLeaving: true,
  })
  const place = () => {
    const questions = marks.questions.map(({ question }) => question)
    const of = hand ?? nearest(marks.questions, page.id, surface.current?.middle().y ?? 0)
    if (of) return freeAt(of, [TAG], store, pages, questions).at
    const last = seen.placed.findLast((placed) => mine(placed) && placed.item.kind !== 'mark')
    return placeFor(surface.current, seen.notes.length, page, last && boundsOfItem(last.item))
  }
  const speak = () => void speaking.begin({ page: page.id, ...place() }).catch(sayNotRecorded)
  const film = () =>
    void speaking
      .begin({ page: page.id, ...filmSpot(surface.current, page, seen.placed), film: 'away' })
      .catch(sayNotRecorded)
  const bring = (file: File) => void speaking.bring(file, { page: page.id, ...place() }).catch(sayNotRecorded)
  const pin = (at: Point, to: { readonly to?: string }) =>
    void speaking.begin({ page: page.id, x: at.x, y: at.y, pin: to }).catch(sayNotRecorded)
  const step = useRef(() => {})
  step.current = () => {
    const { is } = speaking.state.getState()
    if (is === 'recording') speaking.stop()
    else if (is === 'made') void speaking.keep()
    else if (writes) speak()
  }
  /** By one key: begins, ends, and keeps it. */
  const goOn = useCallback(() => step.current(), [])
  return { speaking, speak, film, bring, pin, longest, goOn }
}

/** The question of a page whose area there is nearest to a height of it. */
function nearest(all: readonly MarkedQuestion[], page: string, y: number): MarkedQuestion | undefined {
  const far = ({ question }: MarkedQuestion) =>
    Math.min(
      ...question.areas
        .filter((area) => area.page === page)
        .map((area) => Math.max(0, area.y - y, y - area.y - area.height)),
    )
  return all.filter((of) => far(of) < Number.POSITIVE_INFINITY).sort((a, b) => far(a) - far(b))[0]
}

/** As large as what will lie there. */
const TAG: VoiceNote = { id: '', kind: 'voice', x: 0, y: 0, recording: '', seconds: 0 }
