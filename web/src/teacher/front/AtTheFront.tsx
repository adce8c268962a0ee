import type { Box, Front, HandoutWhole, Lesson, Person } from '@hand-back/core'
import { ExternalLink } from 'lucide-react'
import { useState } from 'react'
import { useParams } from 'react-router'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { BoardChoice } from '../board/BoardChoice.tsx'
import { useHandout } from '../handout/useHandout.ts'
import { useRoomCopies } from '../room/roomCopies.ts'
import { type Say, useLesson, useSay } from '../room/useLesson.ts'
import { useWindow } from '../room/useWindow.ts'
import { ChooseFront } from './ChooseFront.tsx'
import { FrontHand } from './FrontHand.tsx'
import { FrontSheets } from './FrontSheets.tsx'
import { frontChanged, shownCopies, shownIds } from './frontAs.ts'
import { openFrontWindow } from './openFrontWindow.ts'
import { ShownCopyRow } from './ShownCopyRow.tsx'
import { useFrontPages } from './useFrontPages.ts'

/** What the class sees at the front: chosen, pointed at, taken off. */
export function AtTheFront({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  const lesson = useLesson(id)
  const say = useSay(id)
  return (
    <Fetched of={handout}>
      {(whole) => (
        <Fetched of={lesson}>
          {(told) => <Inside handout={whole} lesson={told.lesson} say={say} person={person} />}
        </Fetched>
      )}
    </Fetched>
  )
}

interface InsideProps {
  handout: HandoutWhole
  lesson: Lesson
  say: Say
  person: Person
}

function Inside({ handout, lesson, say, person }: InsideProps) {
  const { id } = handout
  const { front, invited } = lesson
  const rows = handout.copies.filter(({ withdrawn }) => !withdrawn)
  const pages = useFrontPages(rows)
  const copies = useRoomCopies(shownIds(front), person)
  const [cuts, setCuts] = useState<string>()
  const [ref, room] = useWindow()
  const show = (to: Front | null) => void say({ say: 'show', front: to })
  const cut = (copy: string) => (part: Box) => {
    setCuts(undefined)
    show(frontChanged(front, copy, { part }))
  }
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-tablet:px-3">
        <LinkButton to={`/handout/${id}/room`}>The room</LinkButton>
        <h1 className="min-w-0 truncate text-xl">{handout.title}, at the front</h1>
        <span className="flex-1" />
        {front && <Button onClick={() => show(null)}>Take it off</Button>}
        <Button look="main" onClick={() => openFrontWindow(id)}>
          <ExternalLink size={17} aria-hidden="true" /> Window for the projector
        </Button>
      </header>
      <div className="flex min-h-0 flex-1 max-tablet:flex-col-reverse">
        <main ref={ref} className="grid min-w-0 flex-1 place-items-center overflow-hidden bg-blotter p-4">
          {front ? (
            <FrontSheets
              handout={id}
              {...{ front, pages, copies, room }}
              over={(sheet, view) => (
                <FrontHand
                  handout={id}
                  {...{ sheet, view }}
                  onPart={sheet.copy !== undefined && cuts === sheet.copy ? cut(sheet.copy) : undefined}
                />
              )}
            />
          ) : (
            <Empty title="Nothing is shown">
              Choose a page, or somebody’s copy. The window for the projector shows it, and nothing else.
            </Empty>
          )}
        </main>
        <aside
          aria-label="What is shown"
          className="grid w-[270px] shrink-0 content-start gap-5 overflow-y-auto border-l border-rule bg-card p-5 max-tablet:max-h-[36vh] max-tablet:w-full max-tablet:grid-cols-3 max-tablet:border-b max-tablet:border-l-0"
        >
          <ChooseFront {...{ front, pages, rows, show }} />
          {shownCopies(front).map((shown) => {
            const row = rows.find((each) => each.id === shown.copy)
            return (
              row && (
                <ShownCopyRow
                  key={shown.copy}
                  {...{ row, shown, front, show }}
                  pages={copies.get(shown.copy)?.whole.pages ?? pages}
                  cuts={cuts === shown.copy}
                  onCut={() => setCuts(cuts === shown.copy ? undefined : shown.copy)}
                  invited={invited === shown.copy}
                  onInvite={(writes) => void say({ say: 'invite', copy: writes ? shown.copy : null })}
                />
              )
            )
          })}
          <BoardChoice handout={handout} />
          {front && (
            <p className="text-ink-soft text-sm">
              Press on the page to point.{' '}
              {front.what === 'page' ? 'All see it on their own page.' : 'Whose copy it is sees it too.'}
            </p>
          )}
        </aside>
      </div>
    </div>
  )
}
