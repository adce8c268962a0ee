import type { HandoutWhole, Person } from '@hand-back/core'
import { useParams } from 'react-router'
import { Fetched } from '../../ui/Notice.tsx'
import { useHandout } from '../handout/useHandout.ts'
import { useRoomCopies } from '../room/roomCopies.ts'
import { useLesson } from '../room/useLesson.ts'
import { useWindow } from '../room/useWindow.ts'
import { FrontSheets } from './FrontSheets.tsx'
import { shownIds } from './frontAs.ts'
import { useFrontPages } from './useFrontPages.ts'

/** The window for the projector: nothing but what is shown. */
export function FrontWindow({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  return <Fetched of={handout}>{(whole) => <Window handout={whole} person={person} />}</Fetched>
}

function Window({ handout, person }: { handout: HandoutWhole; person: Person }) {
  const lesson = useLesson(handout.id)
  const front = lesson.data?.lesson.front ?? null
  const copies = useRoomCopies(shownIds(front), person)
  const pages = useFrontPages(handout.copies)
  const [ref, room] = useWindow()
  return (
    <main
      ref={ref}
      aria-label="Front"
      className="grid h-full place-items-center overflow-hidden bg-blotter p-4"
    >
      {front ? (
        <FrontSheets handout={handout.id} {...{ front, pages, copies, room }} />
      ) : (
        <p className="text-ink-soft">Nothing is shown just now.</p>
      )}
    </main>
  )
}
