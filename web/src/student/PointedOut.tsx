import type { CopyWhole, Person, WorksheetPage } from '@hand-back/core'
import { useEffect, useRef } from 'react'
import { PartsMarked } from '../lesson/PartsMarked.tsx'
import { PensHere, usePens } from '../lesson/PensHere.tsx'
import { PointedAt, usePointedAt } from '../lesson/PointedAt.tsx'
import type { View } from '../page/view/view.ts'
import { Button } from '../ui/Button.tsx'
import { BoardInk, useFrontSeen } from './BoardInk.tsx'
import { lookingAt } from './seenPlace.ts'
import { useOwnBoard } from './useOwnLesson.ts'

interface PointedOutProps {
  copy: CopyWhole
  person: Person
  pages: readonly WorksheetPage[]
  page: string
  view: View
  onTurn: (page: string) => void
}

/** Where the teacher points; on another page: the way there. Notes what one sees of the page, too. */
export function PointedOut({ copy, person, pages, page, view, onTurn }: PointedOutProps) {
  const pens = usePens(copy, person.id)
  const board = useOwnBoard(copy.id)
  const { seen } = useFrontSeen()
  const shown = pages.find(({ id }) => id === page)
  const spots = usePointedAt(copy.handout, copy.id)
  const place = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    const window = place.current?.parentElement
    if (!window) return
    const { clientWidth, clientHeight } = window
    lookingAt(page, {
      x: (clientWidth / 2 - view.x) / view.scale,
      y: (clientHeight / 2 - view.y) / view.scale,
    })
  }, [page, view])
  const elsewhere = spots.at(-1)?.page
  const number = pages.findIndex(({ id }) => id === elsewhere) + 1
  return (
    <>
      <span ref={place} hidden />
      {board && seen && shown && <BoardInk {...{ board, person, view }} page={shown} />}
      <PartsMarked {...{ copy, page, view }} self={person.id} />
      <PensHere {...{ copy, pens, page, view }} />
      <PointedAt spots={spots} page={page} view={view} />
      {elsewhere !== undefined && elsewhere !== page && number > 0 && (
        <span className="pointer-events-auto absolute top-3 left-3">
          <Button large onClick={() => onTurn(elsewhere)}>
            Look: page {number}
          </Button>
        </span>
      )}
    </>
  )
}
