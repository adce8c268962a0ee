import { CALLS, type HandoutChange, type HandoutWhole, type Person, type Question } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { Tick } from '../../ui/Tick.tsx'
import { useAct } from '../../ui/useAct.ts'
import { capital, count } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { changeRubric } from '../rubric/changeRubric.ts'
import { RubricField } from '../rubric/RubricField.tsx'
import { giveMarks } from './handBack.ts'
import { saidChanges } from './saidChanges.ts'
import { TakeCopiesAway } from './TakeCopiesAway.tsx'
import { type Terms, TermsFields } from './TermsFields.tsx'
import { WatchedWords } from './WatchedWords.tsx'
import { WithoutCopy } from './WithoutCopy.tsx'

const refreshAll = (handout: string) =>
  Promise.all([
    refresh(CALLS.handout, { handout }),
    refresh(CALLS.handoutChanges, { handout }),
    refresh(CALLS.handouts),
  ])

async function change(id: string, to: HandoutChange): Promise<void> {
  await ask(CALLS.changeHandout, { handout: id }, to)
  await refreshAll(id)
}

/** What can be done with a hand-out that is in use. */
export function InUse({
  handout,
  questions,
  person,
}: {
  handout: HandoutWhole
  questions: readonly Question[]
  person: Person
}) {
  const { id, withdrawn, worksheetId, ownsWorksheet, rubric } = handout
  const [dating, setDating] = useState(false)
  const [taking, setTaking] = useState(false)
  const withdraw = async (to: boolean) => {
    try {
      await change(id, { withdrawn: to })
      if (to) sayDone('Withdrawn: students do not see it, and nothing is lost.', () => void withdraw(false))
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <div className="mb-5 flex flex-wrap gap-2">
      <Button onClick={() => setDating(true)}>Dates and directions</Button>
      <RubricField rubric={rubric} onChange={(to) => changeRubric(id, to)} />
      {ownsWorksheet && (
        <>
          <LinkButton to={`/worksheet/${worksheetId}?in=${id}`}>Change its pages</LinkButton>
          <LinkButton to={`/worksheet/${worksheetId}/hand-out?again=${id}`}>Hand out again</LinkButton>
        </>
      )}
      {handout.copies.length > 0 && <Button onClick={() => setTaking(true)}>Take away</Button>}
      {taking && <TakeCopiesAway handout={handout} questions={questions} onClose={() => setTaking(false)} />}
      {!withdrawn && (
        <Button look="quiet" onClick={() => void withdraw(true)}>
          Withdraw
        </Button>
      )}
      {(handout.way === 'group' || handout.way === 'all') && (
        <Tick
          className="px-2"
          ticked={handout.touchAll}
          onTick={(touchAll) => void change(id, { touchAll }).catch(sayProblem)}
        >
          Everybody may rub out and move what others made
        </Tick>
      )}
      <Tick
        className="px-2"
        ticked={handout.pins}
        onTick={(pins) => void change(id, { pins }).catch(sayProblem)}
      >
        Pins on copies
      </Tick>
      {handout.pins && <WatchedWords person={person} handout={id} />}
      <Dialog open={dating} onClose={() => setDating(false)} title="Dates and directions">
        <TermsForm handout={handout} onDone={() => setDating(false)} />
      </Dialog>
      <div className="flex w-full flex-col gap-2">
        {withdrawn && (
          <Notice>
            <p className="flex-1">Withdrawn: students do not see it. Everything they made is here.</p>
            <Button look="main" onClick={() => void withdraw(false)}>
              Bring it back
            </Button>
          </Notice>
        )}
        {ownsWorksheet && <WaitingChanges handout={handout} />}
        <MarksKept handout={handout} />
        <WithoutCopy handout={handout} onGiven={() => refreshAll(id)} />
      </div>
    </div>
  )
}

const Notice = ({ children }: { children: ReactNode }) => (
  <div className="flex flex-wrap items-center gap-3 rounded-tag border border-ochre-fill bg-ochre-soft px-4 py-2.5">
    {children}
  </div>
)

/** Copies that went back without their marks, and the way to give them. */
function MarksKept({ handout }: { handout: HandoutWhole }) {
  const kept = handout.copies.filter(({ marksKept }) => marksKept).map(({ id }) => id)
  const { run, busy } = useAct(() => giveMarks(handout.id, kept))
  if (kept.length === 0) return null
  const copies = count(kept.length, 'copy', 'copies')
  return (
    <Notice>
      <p className="min-w-[200px] flex-1">{capital(copies)} went back without marks.</p>
      <Button look="main" disabled={busy} onClick={() => void run()}>
        Give {kept.length === 1 ? 'its' : 'their'} marks
      </Button>
    </Notice>
  )
}

function TermsForm({ handout, onDone }: { handout: HandoutWhole; onDone: () => void }) {
  const { opensAt, dueAt, directions, spoken, counts, longestVoice, longestFilm } = handout
  const [terms, setTerms] = useState<Terms>({
    opensAt,
    dueAt,
    directions,
    spoken,
    counts,
    longestVoice,
    longestFilm,
  })
  const { run, busy, problem } = useAct(async () => {
    const { spoken: _asItIs, ...to } = terms
    await change(handout.id, to)
    onDone()
  })
  return (
    <div className="flex flex-col gap-4">
      <TermsFields terms={terms} way={handout.way} onChange={setTerms} />
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
      <Button look="main" disabled={busy} onClick={() => void run()} className="self-end">
        Done
      </Button>
    </div>
  )
}

/** The worksheet has changed since it was handed out: what is new in it can be sent into the copies. */
function WaitingChanges({ handout }: { handout: HandoutWhole }) {
  const changes = useQuery(asked.handoutChanges(handout.id))
  const { run, busy, problem } = useAct(async () => {
    await ask(CALLS.sendChanges, { handout: handout.id })
    await refreshAll(handout.id)
    sayDone('It is in all copies now.')
  })
  const { data } = changes
  if (!data || data.added.length + data.changed.length === 0) return null
  const count = handout.copies.length
  return (
    <Notice>
      <ul className="flex gap-2">
        {[...data.added, ...data.changed].slice(0, 5).map((page) => (
          <li key={page.id}>
            <PaperThumb page={page} width={46} label="A page that is new or has changed" />
          </li>
        ))}
      </ul>
      <p className="min-w-[200px] flex-1">
        The worksheet has changed since: {saidChanges(data)}. Ink stays where it was made.
        {problem && (
          <span role="alert" className="block text-madder">
            {problem}
          </span>
        )}
      </p>
      <Button look="main" disabled={busy} onClick={() => void run()}>
        {count === 1 ? 'Send it into the copy' : `Send it into all ${count} copies`}
      </Button>
    </Notice>
  )
}
