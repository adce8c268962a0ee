import {
  CALLS,
  type ClassWhole,
  NotARoster,
  type Roster,
  type RosterChanges,
  readRoster,
  rosterChanges,
  type StudentWithPin,
} from '@hand-back/core'
import { type ReactNode, useMemo, useState } from 'react'
import { ask } from '../../api/ask.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { useAct } from '../../ui/useAct.ts'
import { count } from '../../ui/when.ts'

interface RosterDialogProps {
  whole: ClassWhole
  open: boolean
  onClose: () => void
  onTaken: (made: readonly StudentWithPin[]) => void
}

/** Taking over a list of students: what would change is seen before it does. */
export function RosterDialog({ whole, open, onClose, onTaken }: RosterDialogProps) {
  const [roster, setRoster] = useState<Roster | string>()
  const close = () => {
    setRoster(undefined)
    onClose()
  }
  const choose = async (files: FileList | null) => {
    if (!files || files.length === 0) return
    const read = await Promise.all(
      [...files].map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    )
    try {
      setRoster(readRoster(read))
    } catch (error) {
      if (!(error instanceof NotARoster)) throw error
      setRoster(error.message)
    }
  }
  return (
    <Dialog open={open} onClose={close} title={`A list for ${whole.name}`} wide>
      <p className="mb-3">
        A CSV with a column of names (or first and last names; an id and a mail address if you have them), or
        the files of a OneRoster export. Nothing changes before you have seen it.
      </p>
      <label className="mb-4 inline-flex min-h-[38px] cursor-pointer items-center rounded-tag border border-rule bg-sheet px-3.5 font-semibold hover:border-ink-soft has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-verdigris">
        Choose the list …
        <input
          type="file"
          accept=".csv,.zip,text/csv"
          multiple
          className="sr-only"
          onChange={(event) => void choose(event.target.files)}
        />
      </label>
      {typeof roster === 'string' && (
        <p role="alert" className="text-madder">
          {roster}
        </p>
      )}
      {typeof roster === 'object' && (
        <Look
          whole={whole}
          roster={roster}
          onTaken={(made) => {
            onTaken(made)
            close()
          }}
        />
      )}
    </Dialog>
  )
}

interface LookProps {
  whole: ClassWhole
  roster: Roster
  onTaken: (made: readonly StudentWithPin[]) => void
}

function Look({ whole, roster, onTaken }: LookProps) {
  const { classes, wrong } = roster
  const [index, setIndex] = useState(() =>
    Math.max(
      0,
      classes.findIndex(({ name }) => name === whole.name),
    ),
  )
  const [leaving, setLeaving] = useState(false)
  const chosen = classes[index]!
  const changes = useMemo(() => rosterChanges(whole.students, chosen.students), [whole.students, chosen])
  const { run, busy, problem } = useAct(async () => {
    const made = await ask(
      CALLS.takeRoster,
      { class: whole.id },
      {
        add: [...changes.add],
        mail: [...changes.mail],
        rename: changes.rename.map(({ id, to }) => ({ id, to })),
        leave: leaving ? changes.missing.map(({ id }) => id) : [],
      },
    )
    onTaken(made)
  })
  return (
    <div className="flex flex-col gap-4">
      {classes.length > 1 && (
        <label className="flex items-center gap-3 font-semibold">
          Which class of the list?
          <select
            value={index}
            onChange={(event) => setIndex(Number(event.target.value))}
            className="min-h-[38px] rounded-tag border border-ink-soft/60 bg-sheet px-2 font-normal"
          >
            {classes.map(({ name, students }, at) => (
              <option key={name} value={at}>
                {name} ({students.length})
              </option>
            ))}
          </select>
        </label>
      )}
      <Changes changes={changes} />
      {changes.missing.length > 0 && (
        <Tick ticked={leaving} onTick={setLeaving}>
          Remove the {changes.missing.length} who are not on the list from the class; their work stays
        </Tick>
      )}
      {wrong.length > 0 && (
        <Part title={`${wrong.length} ${wrong.length === 1 ? 'row needs' : 'rows need'} a look`}>
          {wrong.map(({ line, why }) => (
            <li key={`${line} ${why}`}>
              <span className="tabular text-ink-soft">line {line}</span> {why}
            </li>
          ))}
        </Part>
      )}
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
      <Button
        look="main"
        large
        disabled={busy || !changesAnything(changes, leaving)}
        onClick={() => void run()}
      >
        {busy ? 'Taking in the list …' : saidTaking(changes)}
      </Button>
    </div>
  )
}

function changesAnything({ add, rename, mail, missing }: RosterChanges, leaving: boolean): boolean {
  return add.length + rename.length + mail.length + (leaving ? missing.length : 0) > 0
}

function saidTaking({ add }: RosterChanges): string {
  if (add.length === 0) return 'Use this list'
  return add.length === 1 ? 'Add one student' : `Add ${add.length} students`
}

function Changes({ changes: { add, rename, mail, missing, same } }: { changes: RosterChanges }) {
  return (
    <div className="grid gap-4 phone:grid-cols-2">
      <Part title={`${add.length} new`}>
        {add.map(({ name, rosterId }) => (
          <li key={rosterId ?? name}>{name}</li>
        ))}
      </Part>
      <Part title={`${rename.length} with another name`}>
        {rename.map(({ id, from, to }) => (
          <li key={id}>
            <span className="text-ink-soft line-through">{from}</span> {to}
          </li>
        ))}
      </Part>
      <Part title={`${missing.length} not on the list`}>
        {missing.map(({ id, name }) => (
          <li key={id}>{name}</li>
        ))}
      </Part>
      <Part title={`${same} stay as they are`}>
        {mail.length > 0 && <li>{count(mail.length, 'mail address', 'mail addresses')} of the list</li>}
      </Part>
    </div>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="font-semibold">{title}</h3>
      <ul className="max-h-[24vh] overflow-y-auto">{children}</ul>
    </section>
  )
}
