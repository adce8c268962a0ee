import {
  CALLS,
  type CopyRow,
  doingOf,
  type HandoutWhole,
  needsYou,
  type Person,
  type RoomTold,
} from '@hand-back/core'
import { Armchair } from 'lucide-react'
import { useCallback, useMemo, useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { onThisClock } from '../../lesson/schoolClock.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { useHandout } from '../handout/useHandout.ts'
import { atWork, pageAt, sayDoing, touchedPages, useLastDone } from './atWork.ts'
import { CopyCard } from './CopyCard.tsx'
import { asGrid, asSeated } from './floor.ts'
import { NeedsYou } from './NeedsYou.tsx'
import { useRoomChoices } from './roomChoices.ts'
import { useRoomCopies } from './roomCopies.ts'
import { Seating } from './Seating.tsx'
import { ShowChoice } from './ShowChoice.tsx'
import { seatNames } from './seatNames.ts'
import { ToClass } from './ToClass.tsx'
import { useLesson, useSay } from './useLesson.ts'
import { useNow, useRoomTold, useWhereabouts } from './useRoom.ts'
import { useWindow } from './useWindow.ts'

/** A class at work: all copies of a hand-out live, where their students sit. */
export function Room({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  const told = useRoomTold(id)
  return (
    <Fetched of={handout}>
      {(whole) => (
        <Fetched of={told}>{(room) => <Inside handout={whole} told={room} person={person} />}</Fetched>
      )}
    </Fetched>
  )
}

/** What somebody does is looked at again so often, in milliseconds. */
const LOOKS_EVERY = 1000
const MINUTE = 60_000

function Inside({ handout, told, person }: { handout: HandoutWhole; told: RoomTold; person: Person }) {
  const { id } = handout
  const [asked, setAsked] = useSearchParams()
  const shown = asked.get('show') ?? 'each'
  const [seating, setSeating] = useState(false)
  const { pale, setPale, stillAfter, setStillAfter } = useRoomChoices()
  const rows = useMemo(() => handout.copies.filter(({ withdrawn }) => !withdrawn), [handout.copies])
  const names = useMemo(() => seatNames(rows, handout.namesHidden), [rows, handout.namesHidden])
  const copies = useRoomCopies(rows, person)
  const lesson = useLesson(id)
  const say = useSay(id)
  const where = useWhereabouts(id)
  const lastDone = useLastDone(copies)
  const now = useNow(LOOKS_EVERY)
  const [floorRef, window] = useWindow()

  const handOf = (row: CopyRow) => {
    const hand = told.hands.find(({ copy }) => copy === row.id)
    return hand && onThisClock(hand.at)
  }
  const works = rows.map((row) =>
    atWork(row, where.get(row.id) ?? [], lastDone.get(row.id), handOf(row), now),
  )
  const doing = doingOf(works, now, stillAfter * MINUTE)
  const seats = told.plan !== null && told.plan.tables.length > 0 && handout.way === 'own' ? told.plan : null
  const search = shown === 'each' ? '' : `?show=${shown}`
  const to = useCallback((copy: string) => `/handout/${id}/room/${copy}${search}`, [id, search])
  const any = copies.values().next().value?.whole
  const question = any?.questions.find((each) => each.id === shown)
  const area = question?.areas[0]
  const usual = area ?? any?.pages[0]
  const shape = usual ? usual.height / usual.width : Math.SQRT2
  const floor = useMemo(
    () => (seats ? asSeated(seats, rows, shape, window) : asGrid(rows, shape, window)),
    [seats, rows, shape, window],
  )
  const lookAt = (row: CopyRow) => {
    const copy = copies.get(row.id)
    if (!copy) return undefined
    const there = [...(where.get(row.id) ?? [])].sort((a, b) => b.toldAt - a.toldAt)
    return pageAt(copy, area?.page ?? (shown === 'each' ? there.find(({ page }) => page)?.page : shown))
  }
  const sayOf = (row: CopyRow, at: number) =>
    sayDoing(doing.get(row.id)!, works[at]!, lookAt(row)?.number, now)
  const handDown = (copy: string) =>
    void ask(CALLS.takeHandDown, { copy }, {}).then(
      () => void refresh(CALLS.room, { handout: id }),
      sayProblem,
    )
  const waiting = needsYou(works, now, stillAfter * MINUTE).map((of) => {
    const at = works.indexOf(of)
    return { row: rows[at]!, of, words: sayOf(rows[at]!, at) }
  })
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-tablet:px-3">
        <LinkButton to={`/handout/${id}`}>
          <span className="max-w-[300px] truncate">{handout.title}</span>
        </LinkButton>
        <h1 className="whitespace-nowrap text-xl">{handout.className}, in the room</h1>
        <span className="flex-1" />
        <ShowChoice
          pages={any?.pages ?? []}
          questions={any?.questions ?? []}
          shown={shown}
          onShow={(show) => setAsked(show === 'each' ? {} : { show }, { replace: true })}
        />
        {handout.way === 'own' && !handout.namesHidden && (
          <Button look={seating ? 'main' : 'plain'} onClick={() => setSeating(!seating)}>
            <Armchair size={18} aria-hidden="true" /> {seating ? 'Done' : 'Seats'}
          </Button>
        )}
      </header>
      {seating ? (
        <Seating handout={handout} plan={told.plan} />
      ) : (
        <div className="flex min-h-0 flex-1 max-tablet:flex-col">
          <main ref={floorRef} className="relative min-w-0 flex-1 overflow-auto p-4">
            {rows.length === 0 && <Empty title="Nobody has this yet">Hand it out, and come back.</Empty>}
            {seats && <Front />}
            <div className="relative" style={{ height: floor.height }}>
              {floor.tables.map(({ id: table, ...spot }) => (
                <span key={table} aria-hidden="true" className="absolute p-0.5" style={spot}>
                  <span className="block size-full rounded-md bg-blotter-deep" />
                </span>
              ))}
              {rows.map((row, at) => (
                <CopyCard
                  key={row.id}
                  name={names.get(row.id)!}
                  copy={copies.get(row.id)}
                  page={lookAt(row)?.page}
                  part={area}
                  spot={floor.spots.get(row.id)!}
                  doing={doing.get(row.id)!}
                  words={sayOf(row, at)}
                  touched={copies.has(row.id) ? touchedPages(copies.get(row.id)!) : ''}
                  pale={pale}
                  to={to(row.id)}
                />
              ))}
            </div>
          </main>
          <NeedsYou
            {...{ waiting, doing, stillAfter, pale, to }}
            onStillAfter={setStillAfter}
            onPale={setPale}
            onHandDown={handDown}
          >
            {lesson.data && (
              <ToClass
                lesson={lesson.data.lesson}
                {...{ say, rows }}
                pages={any?.pages ?? []}
                front={`/handout/${id}/front`}
              />
            )}
          </NeedsYou>
        </div>
      )}
    </div>
  )
}

/** Which side of the room is the front. */
function Front() {
  return (
    <p className="mx-auto mb-3 w-1/3 border-b-[3px] border-rule pb-1 text-center text-ink-soft text-sm">
      front
    </p>
  )
}
