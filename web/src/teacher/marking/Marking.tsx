import {
  type CopyRow,
  type CopyWhole,
  type HandoutWhole,
  isOnLayer,
  type MarkingWhole,
  type Person,
  type Placed,
  pageOf,
  type Stroke,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useStore } from 'zustand'
import { queries, queryClient } from '../../api/queries.ts'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { useCopy } from '../../page/copy/useCopy.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { PageTabs } from '../../page/pages/PageTabs.tsx'
import { usePagesNow } from '../../page/pages/usePagesNow.ts'
import { TEACHER_SWATCHES } from '../../page/strip/swatches.ts'
import { useTools } from '../../page/tools/useTools.ts'
import type { View } from '../../page/view/view.ts'
import { VoiceNotes } from '../../page/voice/VoiceNotes.tsx'
import { useWork } from '../../page/work/useWork.ts'
import { useSeen } from '../../page/work/useWriting.ts'
import { WorkingStrip } from '../../page/work/WorkingStrip.tsx'
import { Worktop } from '../../page/work/Worktop.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Empty, Fetched, Loading } from '../../ui/Notice.tsx'
import { handBack } from '../handout/handBack.ts'
import { useHandout } from '../handout/useHandout.ts'
import { CopyBar } from './CopyBar.tsx'
import { MarkColumn } from './MarkColumn.tsx'
import { PileList } from './PileList.tsx'
import { pileOrder } from './pileOrder.ts'
import { type Seeing, SeeingChoice } from './SeeingChoice.tsx'
import { useGoingOn } from './useGoingOn.ts'
import { useMarking } from './useMarking.ts'
import { useMarks } from './useMarks.ts'
import { coloursOf, WhoDidWhat } from './WhoDidWhat.tsx'

/** Going through the pile: copy by copy, the same page at the same zoom, feedback in one's own ink. */
export function Marking({ person }: { person: Person }) {
  const { handout: id = '', copy = '' } = useParams()
  const handout = useHandout(id)
  return (
    <Fetched of={handout}>{(whole) => <ThePile handout={whole} wanted={copy} person={person} />}</Fetched>
  )
}

function ThePile({ handout, wanted, person }: { handout: HandoutWhole; wanted: string; person: Person }) {
  const navigate = useNavigate()
  // The order is settled when the pile is opened: a copy that changes its state does not jump away.
  const [order] = useState(() => pileOrder(handout.copies).map(({ id }) => id))
  const pile = useMemo(
    () => order.flatMap((id) => handout.copies.find((copy) => copy.id === id) ?? []),
    [order, handout],
  )
  const index = wanted === 'first' ? 0 : pile.findIndex(({ id }) => id === wanted)
  const row = pile[index]
  const open = useCallback(
    (copy: CopyRow | undefined) =>
      copy && void navigate(`/handout/${handout.id}/pile/${copy.id}`, { replace: true }),
    [navigate, handout.id],
  )
  const [pageIndex, setPageIndex] = useState(0)
  const tools = useTools(person, TEACHER_SWATCHES)
  const [seeing, setSeeing] = useState<Seeing>('all')
  const whole = useQuery({
    ...queries.copy(row?.id ?? ''),
    enabled: row !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  })
  const store = useCopy(whole.data, person, 'feedback')
  const marking = useMarking(handout.id)

  // The page stays where it is while the next copy is fetched: place and zoom are the teacher's, not the copy's.
  const ready = whole.data && store ? { copy: whole.data, store } : undefined
  const last = useRef(ready)
  useEffect(() => {
    if (ready) last.current = ready
  })
  const shown = ready ?? last.current
  const next = pile[index + 1]
  const onNext = useCallback(() => open(next), [open, next])
  useEffect(() => {
    if (next)
      void queryClient.prefetchQuery({ ...queries.copy(next.id), staleTime: Number.POSITIVE_INFINITY })
  }, [next])

  if (!row) return <Empty title="This copy is not in the pile">It may belong to another hand-out.</Empty>
  const written = pile.filter((copy) => copy.state === 'handed in' && copy.markingBegan).map(({ id }) => id)
  const toMark = pile.filter(({ state }) => state === 'handed in').length
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 items-center gap-4 border-b border-rule bg-card px-5 py-1.5">
        <LinkButton to={`/handout/${handout.id}`}>
          <span className="max-w-[340px] truncate">{handout.title}</span>
        </LinkButton>
        <h1 className="sr-only">{handout.title}</h1>
        <span className="whitespace-nowrap text-ink-soft max-tablet:hidden">
          {handout.className} · {toMark} handed in
        </span>
        <span className="flex-1" />
        <KeptSign outbox={outboxOf(person.id)} copy={row.id} />
        <SeeingChoice seeing={seeing} onChange={setSeeing} />
      </header>
      <div className="flex min-h-0 flex-1">
        <PileList pile={pile} sums={marking?.sums ?? []} current={row.id} onOpen={open} />
        <div className="flex min-w-0 flex-1 flex-col">
          <CopyBar handout={handout} row={row} outbox={outboxOf(person.id)} />
          {shown && !whole.isError ? (
            <MarkedCopy
              copy={shown.copy}
              store={shown.store}
              settled={ready !== undefined}
              person={person}
              tools={tools}
              seeing={seeing}
              pageIndex={pageIndex}
              onTurn={setPageIndex}
              onNext={onNext}
              marking={marking}
            >
              <Button onClick={onNext} disabled={!next} className="w-full">
                Next copy →
              </Button>
              {written.length > 1 && (
                <Button onClick={() => void handBack(handout.id, written)} className="w-full">
                  Hand back the {written.length} you wrote on
                </Button>
              )}
            </MarkedCopy>
          ) : (
            <Fetched of={whole}>{() => <Loading />}</Fetched>
          )}
        </div>
      </div>
    </div>
  )
}

interface MarkedCopyProps {
  copy: CopyWhole
  store: CopyStore
  /** It is the copy wanted, not the one before. */
  settled: boolean
  person: Person
  tools: ReturnType<typeof useTools>
  seeing: Seeing
  pageIndex: number
  onTurn: (index: number) => void
  onNext: () => void
  marking: MarkingWhole | undefined
  /** What to go on with, under the marks. */
  children: ReactNode
}

function MarkedCopy({
  copy,
  store,
  settled,
  person,
  tools,
  seeing,
  pageIndex,
  onTurn,
  onNext,
  marking,
  children,
}: MarkedCopyProps) {
  const { state, round, log, ready } = useStore(store.view)
  const pages = usePagesNow(copy, store)
  const index = Math.min(pageIndex, pages.length - 1)
  const page = pages[index]!
  const wanted = useCallback(
    ({ layer }: Placed) => settled && (seeing === 'all' || (seeing === 'work' && layer !== 'feedback')),
    [seeing, settled],
  )
  const seen = useSeen(store, page.id, wanted)
  const mine = useCallback(
    (placed: Placed) => placed.author === person.id && placed.layer === 'feedback' && placed.round === round,
    [person.id, round],
  )
  const writes = settled && state !== 'waiting' && seeing === 'all' && copy.way !== 'read'
  const turn = useCallback(
    (by: number) => onTurn(Math.min(pages.length - 1, Math.max(0, index + by))),
    [pages.length, index, onTurn],
  )
  const turnToPage = useCallback(
    (id: string) => onTurn(pages.findIndex((each) => each.id === id)),
    [pages, onTurn],
  )
  const [view, setView] = useState<View>({ scale: 1, x: 0, y: 0 })
  const marks = useMarks(copy.id, store, pages, log, round, marking)
  const column = useRef<HTMLElement>(null)
  const { goOn, toFirst } = useGoingOn(copy.id, settled, marks, index, onTurn, onNext, column)
  const moreKeys = useMemo(
    () => ({
      title: 'The pile',
      acts: [
        { keys: ['n'], words: 'next copy', run: onNext },
        {
          keys: ['m'],
          words: 'marks: the next question without; there F is full marks, K what the key says',
          run: toFirst,
        },
      ],
    }),
    [onNext, toFirst],
  )
  const bytesOf = useCallback((name: string) => outboxOf(person.id).bytesOf(name), [person.id])
  const work = useWork({
    copy,
    store,
    person,
    page,
    tools,
    seen,
    mine: writes ? mine : undefined,
    bytesOf,
    turn,
    turnToPage,
    moreKeys,
  })
  const [colouring, setColouring] = useState(false)
  const shared = copy.way === 'group' || copy.way === 'all'
  const strokes = useMemo(
    () => (shared && colouring ? byAuthor(seen.placed, copy, work.elsewhere) : undefined),
    [shared, colouring, seen, copy, work.elsewhere],
  )
  const laid = useMemo(
    () => seen.items.filter(({ id }) => !work.elsewhere.has(id)),
    [seen.items, work.elsewhere],
  )
  const drawn = useDrawnToRead(copy, page, laid)
  const photoUrl = usePhotos(copy.id, bytesOf)

  const written = useMemo(
    () => new Set(pages.flatMap(({ id }, at) => (isOnLayer(log, id, 'work') ? [at] : []))),
    [pages, log],
  )
  return (
    <>
      {shared && (
        <WhoDidWhat
          copy={copy}
          page={pageOf(log, page.id)}
          shown={colouring}
          onShow={setColouring}
          onBring={(missed) => store.bringBack(page.id, missed)}
        />
      )}
      <div className="flex min-h-0 flex-1">
        <Worktop
          copy={copy}
          work={work}
          ready={settled && ready}
          drawn={drawn}
          strokes={strokes}
          photoUrl={photoUrl}
          label={`Page ${index + 1} of ${copy.name}’s copy`}
          onView={setView}
          laid={(view) => (
            <VoiceNotes
              copy={copy.id}
              view={view}
              notes={seen.notes.map(({ note }) => ({ note, mine: false }))}
              soundOf={bytesOf}
            />
          )}
          strip={(upright) => <WorkingStrip work={work} upright={upright} />}
        >
          <PageTabs count={pages.length} current={index} onTurn={onTurn} written={written} />
          {state === 'waiting' && (
            <p className="absolute bottom-4 left-1/2 -translate-x-1/2 rounded-tag border border-rule bg-card px-4 py-2">
              {copy.name} has not opened this copy yet.
            </p>
          )}
        </Worktop>
        <MarkColumn
          marks={marks}
          page={index}
          view={view}
          readOnly={!writes}
          column={column}
          onNextAfter={goOn}
        >
          {children}
        </MarkColumn>
      </div>
    </>
  )
}

/** The strokes of a page, each student’s work in a colour of their own, but for those that are elsewhere now. */
function byAuthor(placed: readonly Placed[], copy: CopyWhole, elsewhere: ReadonlySet<string>): Stroke[] {
  const colours = coloursOf(copy)
  return placed.flatMap(({ item, author, layer }) => {
    if (item.kind !== 'stroke' || elsewhere.has(item.id)) return []
    const colour = layer === 'work' ? colours.get(author) : undefined
    return [colour ? { ...item, colour } : item]
  })
}
