import {
  CALLS,
  type CopyRow,
  type CopyState,
  type CopySum,
  type CopyWork,
  type HandoutWhole,
  latenessOf,
  type MarkingWhole,
  type Person,
  sayGoFor,
} from '@hand-back/core'
import { Printer, ScanLine } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { ask, urlOf } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { PrintDialog } from '../../page/print/PrintDialog.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { StateTag } from '../../ui/Corner.tsx'
import { type Column, DataTable } from '../../ui/DataTable.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { TakesFiles } from '../../ui/TakesFiles.tsx'
import { sayDue, sayWhen } from '../../ui/when.ts'
import { Given, hasMarks } from '../marking/Given.tsx'
import { filtersOf, type PileFacts, type PileFilter, passes } from '../marking/pileFilter.ts'
import { useHandoutWork } from '../marking/useHandoutWork.ts'
import { useMarking } from '../marking/useMarking.ts'
import { leaveFiles } from '../paper/dropped.ts'
import { Answers, HandoutMarks, Room, WhatNext } from '../screens.ts'
import { TakeAway } from '../TakeAway.tsx'
import { DoneSoFar } from './DoneSoFar.tsx'
import { FilterRow } from './FilterRow.tsx'
import { HandBackDialog } from './HandBackDialog.tsx'
import { goWithMarks, handBack } from './handBack.ts'
import { InUse } from './InUse.tsx'
import { OneCopy } from './OneCopy.tsx'
import { SharedPeople } from './SharedPeople.tsx'
import { ShowAs, type ShownAs, useShownAs } from './ShowAs.tsx'
import { useHandout } from './useHandout.ts'
import { Wall } from './Wall.tsx'

/** A hand-out with every student's copy and its state, as it is now. */
export function Handout({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  return <Fetched of={handout}>{(whole) => <Table handout={whole} person={person} />}</Fetched>
}

const STATES: CopyState[] = ['handed in', 'another go', 'working', 'waiting', 'handed back']

/** What is opened from here is fetched while the list is read, so many milliseconds after it came. */
const WARMS_AFTER = 800

function Table({ handout, person }: { handout: HandoutWhole; person: Person }) {
  useEffect(() => {
    const idle = setTimeout(() => {
      Answers.warm()
      Room.warm()
    }, WARMS_AFTER)
    return () => clearTimeout(idle)
  }, [])
  const { id, title, className, copies } = handout
  const navigate = useNavigate()
  const [printing, setPrinting] = useState(false)
  const [handingBack, setHandingBack] = useState(false)
  const [wished, setFilter] = useState<PileFilter>()
  const marking = useMarking(id)
  const marks = handout.way !== 'read' && hasSomethingToMark(marking)
  const offered: readonly ShownAs[] = marks ? ['list', 'pages', 'marks', 'next'] : ['list', 'pages']
  const [shown, setShown] = useShownAs(offered)
  const sums = marking?.sums
  const work = useHandoutWork(id)
  const facts: PileFacts = { handout, sums: sums ?? [], work, now: Date.now() }
  const columns = useMemo(() => columnsOf(handout, sums ?? [], work), [handout, sums, work])
  const chosen = copies.filter((copy) => passes(wished, copy, facts))
  // Where a filter shows nothing any more, it is over.
  const filter = chosen.length > 0 ? wished : undefined
  const rows = filter ? chosen : copies
  const of = (state: CopyState) => copies.filter((copy) => copy.state === state)
  const toMark = of('handed in')
  const marked = toMark.filter(({ markingBegan }) => markingBegan)
  return (
    <TakesFiles
      words="Let go: the sheets find their copies"
      onFiles={(files) => {
        leaveFiles(id, files)
        void navigate(`/handout/${id}/paper`)
      }}
    >
      <div className="mb-5 flex flex-wrap items-center gap-3 border-b border-rule pb-4">
        <div className="min-w-[260px] flex-1 max-tablet:basis-full">
          <h1 className="text-head">{title}</h1>
          <p className="text-ink-soft">
            {className} · handed out {sayWhen(handout.handedOutAt)}
            {handout.dueAt !== null && ` · ${sayDue(handout.dueAt)}`} · {handout.pageCount}{' '}
            {handout.pageCount === 1 ? 'page' : 'pages'}
            {handout.opensAt !== null &&
              handout.opensAt > Date.now() &&
              ` · opens ${sayWhen(handout.opensAt)}`}
          </p>
        </div>
        <Button look="quiet" onClick={() => setPrinting(true)}>
          <Printer size={18} aria-hidden="true" /> Print
        </Button>
        {handout.way !== 'read' && (
          <Button look="quiet" onClick={() => void navigate(`/handout/${id}/paper`)}>
            <ScanLine size={18} aria-hidden="true" /> From paper
          </Button>
        )}
        {handout.way === 'read' ? (
          <LinkButton to={`/handout/${id}/board`}>At the front</LinkButton>
        ) : (
          <LinkButton to={`/handout/${id}/room`}>In the room</LinkButton>
        )}
        {marked.length > 0 && (
          <Button
            look={marked.length === toMark.length ? 'back' : 'plain'}
            onClick={() =>
              void handBack(
                id,
                marked.map((copy) => copy.id),
                { marks: goWithMarks(handout) },
              )
            }
          >
            Hand back the {marked.length === 1 ? 'one' : marked.length} you wrote on
          </Button>
        )}
        {toMark.length > 0 && <Button onClick={() => setHandingBack(true)}>Hand back …</Button>}
        <LinkButton to={`/handout/${id}/pile/first`} look="main">
          {toMark.length > 0 ? `Mark ${toMark.length}` : 'Open the pile'}
        </LinkButton>
      </div>
      {printing && (
        <PrintDialog
          title={`${title}, for paper`}
          address={urlOf(CALLS.handoutPdf, { handout: id })}
          choice={{ full: 'Everybody’s copy, as it is now', empty: 'Empty pages for everybody' }}
          head="Name, class and page at the head of each page"
          codes
          onClose={() => setPrinting(false)}
        />
      )}
      {handingBack && (
        <HandBackDialog handout={handout} sums={sums ?? []} onClose={() => setHandingBack(false)} />
      )}
      <InUse handout={handout} questions={marking?.questions ?? []} person={person} />
      <div className="mb-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
        <FilterRow offered={filtersOf(copies, facts)} filter={filter} onFilter={setFilter} />
        <span className="flex flex-wrap items-center gap-4">
          {handout.way !== 'read' && (marking?.questions.length ?? 0) > 0 && (
            <Link
              to={`/handout/${id}/question/first`}
              className="px-1 font-semibold text-ink-soft no-underline hover:text-ink pointer-coarse:py-2"
            >
              By question
            </Link>
          )}
          <ShowAs offered={offered} shown={shown} onShow={setShown} />
        </span>
      </div>
      {shown === 'pages' && <Wall handout={handout} rows={rows} sums={sums ?? []} />}
      {shown === 'list' && (
        <DataTable columns={columns} rows={rows} onOpen={({ id: copy }) => void navigate(pileAt(id, copy))} />
      )}
      {shown === 'marks' && marking && (
        <HandoutMarks handout={handout} rows={rows} marking={marking} person={person} />
      )}
      {shown === 'next' && marking && <WhatNext handout={handout} rows={rows} marking={marking} />}
    </TakesFiles>
  )
}

const hasSomethingToMark = (marking: MarkingWhole | undefined) =>
  marking !== undefined && (marking.questions.length > 0 || marking.rubric !== null)

/** The set of a copy, to be changed: who came late is in none yet. */
function SetOfCopy({ handout, copy }: OfCopy) {
  const change = async (set: string) => {
    try {
      await ask(CALLS.changeSet, { copy: copy.id }, { set: set || null })
      await refresh(CALLS.handout, { handout: handout.id })
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <select
      aria-label={`Set of ${copy.name}`}
      value={copy.setId ?? ''}
      onClick={(event) => event.stopPropagation()}
      onChange={(event) => void change(event.target.value)}
      className="mr-3 min-h-[34px] pointer-coarse:min-h-11 rounded-tag border border-ink-soft/60 bg-sheet px-2"
    >
      <option value="">for everyone</option>
      {handout.sets.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  )
}

const pileAt = (handout: string, copy: string) => `/handout/${handout}/pile/${copy}`

/** A press anywhere in a row opens the copy; the name is the link for keyboards. */
const columnsOf = (
  handout: HandoutWhole,
  sums: readonly CopySum[],
  work: readonly CopyWork[],
): Column<CopyRow>[] => [
  {
    id: 'name',
    head: handout.way === 'own' ? 'Student' : 'For',
    orderBy: (copy) => copy.name,
    cellClass: 'pr-4 font-semibold',
    cell: (copy) => <NameOfCopy handout={handout} copy={copy} />,
  },
  {
    id: 'state',
    head: 'Copy',
    orderBy: (copy) => STATES.indexOf(copy.state),
    cellClass: 'pr-4',
    cell: (copy) => (
      <span className="inline-flex flex-wrap items-center gap-x-3 align-middle" data-state={copy.state}>
        <StateTag state={copy.state} />
        {copy.round > 1 && <span className="text-ink-soft">round {copy.round}</span>}
        {copy.state === 'another go' && <GoAt handout={handout} copy={copy} />}
        {copy.marksKept && <span className="text-ink-soft">marks not given</span>}
        {copy.withdrawn && <span className="text-ochre">withdrawn</span>}
        {copy.dueAt !== null && <span className="text-ink-soft">{sayDue(copy.dueAt)}</span>}
        {copy.markingBegan && copy.state === 'handed in' && <span className="text-madder">written on</span>}
        {copy.handsBackAt !== null && (
          <span className="text-slate">goes back {sayWhen(copy.handsBackAt)}</span>
        )}
      </span>
    ),
  },
  {
    id: 'handed in',
    head: 'Handed in',
    orderBy: (copy) => copy.handedInAt,
    className: 'max-handheld:hidden',
    cellClass: 'tabular pr-4 text-ink-soft',
    cell: (copy) => <HandedIn handout={handout} copy={copy} />,
  },
  {
    id: 'work',
    head: 'Done so far',
    orderBy: ({ id }) => work.find(({ copy }) => copy === id)?.worked ?? null,
    className: 'max-handheld:hidden',
    cellClass: 'tabular pr-4 text-ink-soft',
    cell: ({ id, pageNumbers }) => (
      <DoneSoFar work={work.find(({ copy }) => copy === id)} of={pageNumbers?.length ?? handout.pageCount} />
    ),
  },
  ...(sums.some(({ full }) => full > 0) ? [marksColumn(sums)] : []),
  {
    id: 'acts',
    head: 'What to do',
    bare: true,
    cellClass: 'text-right whitespace-nowrap',
    cell: (copy) => <ActsOfCopy handout={handout} copy={copy} />,
  },
]

const marksColumn = (sums: readonly CopySum[]): Column<CopyRow> => {
  const sumOf = ({ id }: CopyRow) => sums.find(({ copy }) => copy === id)
  return {
    id: 'marks',
    head: 'Marks',
    orderBy: (copy) => {
      const sum = sumOf(copy)
      return sum && hasMarks(sum) ? sum.given : null
    },
    cellClass: 'pr-4',
    cell: (copy) => <Given sum={sumOf(copy)} whole />,
  }
}

/** When it was handed in, and whether its date was kept. */
function HandedIn({ handout, copy }: OfCopy) {
  const lateness = latenessOf(copy, handout, Date.now())
  return (
    <>
      {copy.handedInAt !== null && sayWhen(copy.handedInAt)}
      {lateness && <b className="ml-2 text-ochre">{lateness}</b>}
    </>
  )
}

/** At which questions a go is, where it is at some only. */
function GoAt({ handout, copy }: OfCopy) {
  const questions = useMarking(handout.id)?.questions ?? []
  const at = sayGoFor(copy.goFor, questions)
  return at && <span className="text-ink-soft">at {at}</span>
}

interface OfCopy {
  handout: HandoutWhole
  copy: CopyRow
}

function NameOfCopy({ handout, copy }: OfCopy) {
  return (
    <>
      <Link
        to={pileAt(handout.id, copy.id)}
        className="text-ink no-underline hover:underline"
        onClick={(event) => event.stopPropagation()}
      >
        {copy.name}
      </Link>
      {copy.shared && (
        <span className="block font-normal text-ink-soft">
          {copy.students.map(({ name }) => name).join(', ') || 'nobody in it now'}
        </span>
      )}
      {(copy.set || copy.pageNumbers) && (
        <span className="ml-2 font-normal text-ink-soft">
          {[
            handout.sets.length === 0 && copy.set,
            copy.pageNumbers &&
              `${copy.pageNumbers.length === 1 ? 'page' : 'pages'} ${copy.pageNumbers.join(', ')}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      )}
    </>
  )
}

function ActsOfCopy({ handout, copy }: OfCopy) {
  return (
    <>
      {handout.sets.length > 0 && handout.way !== 'read' && <SetOfCopy handout={handout} copy={copy} />}
      {copy.shared && handout.way !== 'read' && (
        // biome-ignore lint/a11y/noStaticElementInteractions: keeps presses in the dialog from opening the row
        // biome-ignore lint/a11y/useKeyWithClickEvents: keys do not reach the row
        <span onClick={(event) => event.stopPropagation()}>
          <SharedPeople handout={handout} copy={copy} />
        </span>
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: keeps presses in the dialog from opening the row */}
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: keys do not reach the row */}
      <span onClick={(event) => event.stopPropagation()}>
        <OneCopy handout={handout} copy={copy} />
      </span>
      <TakeAway copy={copy.id} label={(name) => `${name} of ${copy.name}’s copy`} />
    </>
  )
}
