import type { CopyState, HandoutCard, WorksheetCard } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { Button, LinkButton } from '../ui/Button.tsx'
import { StateTag } from '../ui/Corner.tsx'
import { Fetched } from '../ui/Notice.tsx'
import { Pile } from '../ui/Pile.tsx'
import { capital, count, sayDue, sayWhen } from '../ui/when.ts'
import { asked } from './asked.ts'
import { useBringIn } from './shelf/BringIn.tsx'

/** A teacher's first screen: what waits. */
export function Desk() {
  const handouts = useQuery({ ...asked.handouts(), refetchInterval: 15_000 })
  const worksheets = useQuery(asked.worksheets())
  return (
    <div className="grid items-start gap-9 laptop:grid-cols-[1fr_318px]">
      <section>
        <Fetched of={handouts}>{(list) => <Waiting handouts={list} />}</Fetched>
      </section>
      <aside className="rounded-md border border-rule bg-card p-6">
        <h2 className="mb-3 text-lg">Next</h2>
        <Fetched of={worksheets}>{(list) => <Next worksheets={list} />}</Fetched>
      </aside>
    </div>
  )
}

const howMany = (states: readonly CopyState[], state: CopyState) =>
  states.filter((each) => each === state).length
const SHOWN: CopyState[] = ['handed in', 'another go', 'working', 'waiting', 'handed back']

function Waiting({ handouts }: { handouts: readonly HandoutCard[] }) {
  const waiting = handouts.reduce((sum, { states }) => sum + howMany(states, 'handed in'), 0)
  const sorted = [...handouts].sort((a, b) => howMany(b.states, 'handed in') - howMany(a.states, 'handed in'))
  if (handouts.length === 0) {
    return (
      <>
        <h1 className="mb-2 text-head">Nothing is handed out yet</h1>
        <p className="text-ink-soft">
          Bring in a worksheet, then hand it out to a class. What your students do with it appears here.
        </p>
      </>
    )
  }
  return (
    <>
      <h1 className="border-b border-rule pb-4 text-head">
        {waiting === 0
          ? 'Nothing waits for you'
          : `${capital(count(waiting, 'copy waits', 'copies wait'))} for you`}
      </h1>
      <ul>
        {sorted.map((handout, index) => (
          <HandoutRow key={handout.id} handout={handout} main={index === 0} />
        ))}
      </ul>
    </>
  )
}

function HandoutRow({ handout, main }: { handout: HandoutCard; main: boolean }) {
  const { id, title, className, states, dueAt, by } = handout
  const toMark = howMany(states, 'handed in')
  const due = sayDue(dueAt) ?? `handed out ${sayWhen(handout.handedOutAt)}`
  return (
    <li className="flex items-center gap-8 border-b border-rule py-4 max-handheld:gap-4">
      <div className="w-[170px] shrink-0 max-handheld:hidden">
        <Pile states={states} />
      </div>
      <div className="min-w-0 flex-1">
        <h2 className="text-name">
          <Link to={`/handout/${id}`} className="text-ink no-underline hover:underline">
            {title}
          </Link>
        </h2>
        <p className="text-ink-soft">
          {className}
          {by !== null && ` · handed out by ${by}`} ·{' '}
          {handout.way === 'read' ? 'to read' : `${states.length} ${states.length === 1 ? 'copy' : 'copies'}`}{' '}
          · {due}
        </p>
        <p className="mt-1.5 flex flex-wrap gap-x-5 gap-y-1">
          {SHOWN.map(
            (state) =>
              handout.way !== 'read' &&
              howMany(states, state) > 0 && (
                <StateTag key={state} state={state} count={howMany(states, state)} />
              ),
          )}
        </p>
      </div>
      {toMark > 0 ? (
        <LinkButton to={`/handout/${id}/pile/first`} look={main ? 'main' : 'plain'}>
          Mark {toMark}
        </LinkButton>
      ) : (
        <LinkButton to={`/handout/${id}`}>Open</LinkButton>
      )}
    </li>
  )
}

function Next({ worksheets }: { worksheets: readonly WorksheetCard[] }) {
  const { choose } = useBringIn()
  const fresh = worksheets.filter(({ timesHandedOut }) => timesHandedOut === 0).slice(0, 5)
  return (
    <>
      <ul className="mb-4">
        {fresh.map(({ id, title }) => (
          <li key={id} className="border-t border-rule py-2.5">
            <Link to={`/worksheet/${id}`} className="font-semibold text-ink no-underline hover:underline">
              {title}
            </Link>
            <p className="text-ink-soft">on the shelf, not handed out</p>
          </li>
        ))}
      </ul>
      <Button className="w-full" onClick={() => choose()}>
        Bring in a worksheet
      </Button>
      <p className="mt-2 text-ink-soft">or drop a PDF or a picture anywhere</p>
    </>
  )
}
