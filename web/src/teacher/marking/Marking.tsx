import type { CopyRow, CopySum, HandoutWhole, Person } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { queries } from '../../api/queries.ts'
import { useCopy } from '../../page/copy/useCopy.ts'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { TEACHER_SWATCHES } from '../../page/strip/swatches.ts'
import { useTools } from '../../page/tools/useTools.ts'
import { ParcelsSign } from '../../parcels/ParcelsSign.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Empty, Fetched, Loading } from '../../ui/Notice.tsx'
import { useHandout } from '../handout/useHandout.ts'
import { BackTogether } from './BackTogether.tsx'
import { Beside } from './Beside.tsx'
import { BesideChoice } from './BesideChoice.tsx'
import { CopiesAhead } from './CopiesAhead.tsx'
import { CopyBar, firstOf } from './CopyBar.tsx'
import { MarkedCopy } from './MarkedCopy.tsx'
import { PileChoices } from './PileChoices.tsx'
import { PileList } from './PileList.tsx'
import type { PileFacts } from './pileFilter.ts'
import { isReviewed } from './pileOrder.ts'
import { Reviewed, sayReviewed } from './Reviewed.tsx'
import { type Seeing, SeeingChoice } from './SeeingChoice.tsx'
import { useHandoutWork } from './useHandoutWork.ts'
import { useMarking } from './useMarking.ts'
import { type PileWish, usePile } from './usePile.ts'

const NO_SUMS: readonly CopySum[] = []

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
  const marking = useMarking(handout.id)
  const sums = marking?.sums ?? NO_SUMS
  const work = useHandoutWork(handout.id)
  const facts: PileFacts = { handout, sums, work, now: Date.now() }
  const { pile, wish, settleAs } = usePile(handout, facts)
  const index = wanted === 'first' ? 0 : pile.findIndex(({ id }) => id === wanted)
  const row = pile[index]
  const open = useCallback(
    (copy: CopyRow | undefined) =>
      copy && void navigate(`/handout/${handout.id}/pile/${copy.id}`, { replace: true }),
    [navigate, handout.id],
  )
  const [asked] = useSearchParams()
  /** The id of the page to begin at; once one has turned, the place among the pages. */
  const [pageAt, setPageAt] = useState<string | number>(asked.get('page') ?? 0)
  const tools = useTools(person, TEACHER_SWATCHES)
  const [beside, setBeside] = useState<string>()
  const [seeing, setSeeing] = useState<Seeing>('all')
  const whole = useQuery({
    ...queries.copy(row?.id ?? ''),
    enabled: row !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  })
  const store = useCopy(whole.data, person, 'feedback')

  // The page stays where it is while the next copy is fetched: place and zoom are the teacher's, not the copy's.
  const ready = whole.data && store ? { copy: whole.data, store } : undefined
  const last = useRef(ready)
  useEffect(() => {
    if (ready) last.current = ready
  })
  const shown = ready ?? last.current
  const next = pile[index + 1]
  const before = pile[index - 1]
  const onNext = useCallback(() => open(next), [open, next])
  const onBefore = useCallback(() => open(before), [open, before])
  const onReviewed = useCallback(() => row && sayReviewed(row, sums), [row, sums])
  const onWish = (next: PileWish) => {
    const ids = settleAs(next)
    // The copy that one looks at stays, where it is one of those.
    if (!row || !ids.includes(row.id)) open(handout.copies.find(({ id }) => id === ids[0]))
  }

  if (!row) return <Empty title="This copy is not in the pile">It may belong to another hand-out.</Empty>
  // Nothing stands beside itself.
  const stands = beside === row.id ? undefined : beside
  const toMark = handout.copies.filter(({ state }) => state === 'handed in')
  const reviewed = toMark.filter((copy) => isReviewed(copy, sums)).map(({ id }) => id)
  return (
    <div className="flex h-full flex-col">
      <CopiesAhead copies={[before, row, next]} person={person} />
      <header className="flex shrink-0 items-center gap-4 border-b border-rule bg-card px-5 py-1.5 max-tablet:gap-2 max-tablet:px-3">
        <LinkButton to={`/handout/${handout.id}`}>
          <span className="max-w-[340px] truncate max-tablet:max-w-[120px]">{handout.title}</span>
        </LinkButton>
        <h1 className="sr-only">{handout.title}</h1>
        <span className="whitespace-nowrap text-ink-soft max-tablet:hidden">{handout.className}</span>
        <span className="flex-1" />
        <ParcelsSign />
        <KeptSign outbox={outboxOf(person.id)} copy={row.id} />
        <PileChoices handout={handout} facts={facts} wish={wish} onWish={onWish} />
        <SeeingChoice seeing={seeing} onChange={setSeeing} />
      </header>
      <div className="flex min-h-0 flex-1">
        {/* Two pages side by side need its room. */}
        {!stands && (
          <PileList
            pile={pile}
            sums={sums}
            current={row.id}
            reviewed={reviewed.length}
            of={toMark.length}
            onOpen={open}
          />
        )}
        <div className="flex min-w-0 flex-1 flex-col">
          <CopyBar
            handout={handout}
            row={row}
            sums={sums}
            outbox={outboxOf(person.id)}
            onBefore={before && onBefore}
            onNext={next && onNext}
          />
          {shown && !whole.isError ? (
            <MarkedCopy
              copy={shown.copy}
              store={shown.store}
              settled={ready !== undefined}
              person={person}
              tools={tools}
              seeing={seeing}
              onSee={setSeeing}
              pageAt={pageAt}
              onTurn={setPageAt}
              first={firstOf(handout, row)}
              onNext={onNext}
              onBefore={onBefore}
              onReviewed={onReviewed}
              marking={marking}
              unit={handout.unit}
              beside={
                stands
                  ? (page) => (
                      <Beside
                        handout={handout}
                        beside={stands}
                        onBeside={setBeside}
                        row={row}
                        page={page}
                        person={person}
                      />
                    )
                  : undefined
              }
              besideChoice={
                <section>
                  <h3 className="mb-1.5 font-semibold">Side by side</h3>
                  <BesideChoice handout={handout} row={row} beside={stands} onBeside={setBeside} />
                </section>
              }
            >
              <span className="flex gap-2 max-tablet:flex-col">
                <Reviewed row={row} sums={sums} />
                <Button
                  onClick={onNext}
                  disabled={!next}
                  aria-label="Next copy"
                  title="Next copy (N)"
                  className="flex-1 !px-2 whitespace-nowrap"
                >
                  Next →
                </Button>
              </span>
              <BackTogether handout={handout} sums={sums} outbox={outboxOf(person.id)} open={row.id} />
            </MarkedCopy>
          ) : (
            <Fetched of={whole}>{() => <Loading />}</Fetched>
          )}
        </div>
      </div>
    </div>
  )
}
