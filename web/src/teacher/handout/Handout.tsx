import { CALLS, type CopyRow, type CopyState, type HandoutWhole } from '@hand-back/core'
import { Link, useNavigate, useParams } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { StateTag } from '../../ui/Corner.tsx'
import { Answer } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { sayDue, sayWhen } from '../../ui/when.ts'
import { TakeAway } from '../TakeAway.tsx'
import { handBack } from './handBack.ts'
import { InUse } from './InUse.tsx'
import { SharedPeople } from './SharedPeople.tsx'
import { useHandout } from './useHandout.ts'

/** A hand-out with every student's copy and its state, as it is now. */
export function Handout() {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  return <Answer of={handout}>{(whole) => <Table handout={whole} />}</Answer>
}

const STATES: CopyState[] = ['handed in', 'another go', 'working', 'waiting', 'handed back']

function Table({ handout }: { handout: HandoutWhole }) {
  const { id, title, className, copies } = handout
  const of = (state: CopyState) => copies.filter((copy) => copy.state === state)
  const toMark = of('handed in')
  const marked = toMark.filter(({ markingBegan }) => markingBegan)
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-3 border-b border-rule pb-4">
        <div className="min-w-[260px] flex-1">
          <h1 className="text-[28px]">{title}</h1>
          <p className="text-ink-soft">
            {className} · handed out {sayWhen(handout.handedOutAt)}
            {handout.dueAt !== null && ` · ${sayDue(handout.dueAt)}`} · {handout.pageCount}{' '}
            {handout.pageCount === 1 ? 'page' : 'pages'}
            {handout.opensAt !== null &&
              handout.opensAt > Date.now() &&
              ` · opens ${sayWhen(handout.opensAt)}`}
          </p>
        </div>
        {marked.length > 0 && (
          <Button
            look={marked.length === toMark.length ? 'back' : 'plain'}
            onClick={() =>
              void handBack(
                id,
                marked.map((copy) => copy.id),
              )
            }
          >
            Hand back {marked.length} written on
          </Button>
        )}
        {toMark.length > marked.length && (
          <Button
            onClick={() =>
              void handBack(
                id,
                toMark.map((copy) => copy.id),
              )
            }
          >
            Hand back all {toMark.length}
          </Button>
        )}
        <LinkButton to={`/handout/${id}/pile/first`} look="main">
          {toMark.length > 0 ? `Mark ${toMark.length}` : 'Open the pile'}
        </LinkButton>
      </div>
      <InUse handout={handout} />
      <p className="mb-4 flex flex-wrap gap-x-6 gap-y-1" aria-live="polite">
        {STATES.map(
          (state) => of(state).length > 0 && <StateTag key={state} state={state} count={of(state).length} />,
        )}
      </p>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-rule text-ink-soft">
            <th className="py-2 font-semibold">{handout.way === 'own' ? 'Student' : 'For'}</th>
            <th className="py-2 font-semibold">Copy</th>
            <th className="py-2 font-semibold max-[700px]:hidden">Handed in</th>
            <th className="py-2">
              <span className="sr-only">What to do</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {copies.map((copy) => (
            <Row key={copy.id} handout={handout} copy={copy} />
          ))}
        </tbody>
      </table>
    </>
  )
}

/** The set of a copy, to be changed: who came late is in none yet. */
function SetOfCopy({ handout, copy }: { handout: HandoutWhole; copy: CopyRow }) {
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
      className="mr-3 min-h-[34px] rounded-tag border border-ink-soft/60 bg-sheet px-2"
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

function Row({ handout, copy }: { handout: HandoutWhole; copy: CopyRow }) {
  const navigate = useNavigate()
  const to = `/handout/${handout.id}/pile/${copy.id}`
  const late = copy.handedInAt !== null && handout.dueAt !== null && copy.handedInAt > handout.dueAt
  return (
    // A click anywhere in the row opens the copy; the name is the link for keyboards.
    <tr className="cursor-pointer border-b border-rule hover:bg-card" onClick={() => void navigate(to)}>
      <td className="py-2 pr-4 font-semibold">
        <Link
          to={to}
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
      </td>
      <td className="py-2 pr-4" data-state={copy.state}>
        <span className="inline-flex flex-wrap items-center gap-x-3 align-middle">
          <StateTag state={copy.state} />
          {copy.round > 1 && <span className="text-ink-soft">round {copy.round}</span>}
          {copy.markingBegan && copy.state === 'handed in' && <span className="text-madder">written on</span>}
        </span>
      </td>
      <td className="tabular py-2 pr-4 text-ink-soft max-[700px]:hidden">
        {copy.handedInAt === null ? '' : sayWhen(copy.handedInAt)}
        {late && <b className="ml-2 text-ochre">late</b>}
      </td>
      <td className="py-2 text-right whitespace-nowrap">
        {handout.sets.length > 0 && handout.way !== 'read' && <SetOfCopy handout={handout} copy={copy} />}
        {copy.shared && handout.way !== 'read' && (
          // biome-ignore lint/a11y/noStaticElementInteractions: keeps presses in the dialog from opening the row
          // biome-ignore lint/a11y/useKeyWithClickEvents: keys do not reach the row
          <span onClick={(event) => event.stopPropagation()}>
            <SharedPeople handout={handout} copy={copy} />
          </span>
        )}
        <TakeAway copy={copy.id} label={(name) => `${name} of ${copy.name}’s copy`} />
      </td>
    </tr>
  )
}
