import {
  boundsOfItem,
  type CopyWhole,
  type FeedbackStep,
  type GoPart,
  isAnswer,
  isOpenAt,
  type Person,
  type Point,
  type Printed,
  type WorksheetPage,
} from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import { answerAloud } from '../feedback/giveReply.ts'
import { pinAloud } from '../pins/usePins.ts'
import type { Surface } from '../surface/Surface.ts'
import { sayNotRecorded } from '../voice/recorder.ts'
import { useSpeaking } from '../voice/useSpeaking.ts'
import type { Seen } from './useWriting.ts'
import { filmSpot, noteIn, placeFor } from './workingNotes.ts'

interface SpokenOn {
  copy: CopyWhole
  store: CopyStore
  person: Person
  pages: readonly WorksheetPage[]
  page: WorksheetPage
  seen: Seen
  /** The part of the copy that is open in this go; left out: all of it. */
  part: GoPart | undefined
  surface: Surface | undefined
  /** The copy takes what is spoken: on its pages, to what came back, or at a place. */
  open: boolean
}

/** What a student speaks: beside what they made last, into a place to speak, or as an answer to feedback. */
export function useSpokenWork({ copy, store, person, pages, page, seen, part, surface, open }: SpokenOn) {
  const speaking = useSpeaking({
    copy: copy.id,
    store,
    person,
    pages,
    page,
    longest: copy.longestVoice,
    longestFilm: copy.longestFilm,
    open,
    answer: ({ to, page: on, ...made }) => answerAloud(store, copy.id, { id: to, page: on }, made),
    pin: (made) => pinAloud(store, made),
  })
  const lastMade = () => {
    const last = seen.placed.findLast(
      ({ item, author }) => author === person.id && item.kind !== 'voice' && !isAnswer(item),
    )
    return last && boundsOfItem(last.item)
  }
  /** Where what is spoken next comes to lie: in the open part, where only a part is open. */
  const spot = (): Point => {
    const at = placeFor(surface, seen.notes.length, page, lastMade())
    const [area] = part?.areasOn(page.id) ?? []
    return !area || !part || isOpenAt(part, page.id, at) ? at : { x: area.x + 4, y: area.y + 4 }
  }
  const begin = (at: Parameters<typeof speaking.begin>[0]) => void speaking.begin(at).catch(sayNotRecorded)
  return {
    speaking,
    speak: () => begin({ page: page.id, ...spot() }),
    film: () => begin({ page: page.id, ...filmSpot(surface, page, seen.placed), film: 'away' }),
    speakIn: (place: Printed<'speak' | 'typed'>) =>
      begin({ page: page.id, ...noteIn(place), place: place.id }),
    /** Says something at a place, or as an answer to a pin. */
    pin: (at: Point, pin: { readonly to?: string }) => begin({ page: page.id, x: at.x, y: at.y, pin }),
    answer: ({ id: to, page: on }: FeedbackStep) => begin({ page: on, x: 0, y: 0, to }),
    bring: (file: File) => void speaking.bring(file, { page: page.id, ...spot() }).catch(sayNotRecorded),
  }
}
