import { CALLS, type ClassWhole, type StudentWithPin } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { apiUrl } from '../../seat.ts'
import { ActForm } from '../../ui/ActForm.tsx'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Answer, Empty } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { TitleField } from '../../ui/TitleField.tsx'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'
import { ClassGroups } from './ClassGroups.tsx'
import { Joining } from './Joining.tsx'
import { RosterDialog } from './RosterDialog.tsx'
import { SlipsDialog } from './SlipsDialog.tsx'

/** A class with its students: add, rename, remove, new PIN. */
export function ClassPage() {
  const { class: id = '' } = useParams()
  const whole = useQuery(asked.class(id))
  return <Answer of={whole}>{(each) => <Students key={each.id} whole={each} />}</Answer>
}

function refreshClass(id: string): void {
  void refresh(CALLS.wholeClass, { class: id })
  void refresh(CALLS.classes)
}

function Students({ whole }: { whole: ClassWhole }) {
  const [pins, setPins] = useState<ReadonlyMap<string, string>>(new Map())
  const rename = async (name: string) => {
    await ask(CALLS.renameClass, { class: whole.id }, { name })
    refreshClass(whole.id)
  }
  const [open, setOpen] = useState<'slips' | 'roster'>()
  const showPins = (students: readonly StudentWithPin[]) =>
    setPins((before) => new Map([...before, ...students.map(({ id, pin }) => [id, pin] as const)]))
  return (
    <>
      <div className="mb-6 flex flex-wrap items-baseline gap-4 border-b border-rule pb-4">
        <TitleField label="Name of the class" title={whole.name} longest={60} onRename={rename} />
        <p className="text-ink-soft">
          class code <b className="tabular text-xl tracking-widest text-ink">{whole.code}</b>
        </p>
        <span className="flex-1" />
        <Button onClick={() => setOpen('slips')} disabled={whole.students.length === 0}>
          Slips to cut
        </Button>
        <Button onClick={() => setOpen('roster')}>Bring in a list</Button>
        <a
          href={apiUrl(`/classes/${whole.id}/roster`)}
          download
          className="font-semibold text-verdigris underline underline-offset-4"
        >
          List as CSV
        </a>
      </div>
      <Joining classId={whole.id} />
      <SlipsDialog whole={whole} open={open === 'slips'} onClose={() => setOpen(undefined)} />
      <RosterDialog
        whole={whole}
        open={open === 'roster'}
        onClose={() => setOpen(undefined)}
        onTaken={(made) => {
          showPins(made)
          refreshClass(whole.id)
        }}
      />
      <div className="grid items-start gap-9 lg:grid-cols-[1fr_320px]">
        <div>
          {pins.size > 0 && (
            <p role="status" className="mb-4 rounded-tag border border-ochre-fill bg-ochre-soft px-4 py-2.5">
              Write the new PINs down now: they cannot be shown again, only made anew.
            </p>
          )}
          {whole.students.length === 0 ? (
            <Empty title="Nobody in this class yet">Write the names at the side, one a line.</Empty>
          ) : (
            <table className="w-full border-collapse text-left">
              <thead>
                <tr className="border-b border-rule text-ink-soft">
                  <th className="py-2 font-semibold">Student</th>
                  <th className="py-2 font-semibold">PIN</th>
                  <th className="py-2">
                    <span className="sr-only">What to do</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {whole.students.map((student) => (
                  <StudentRow
                    key={student.id}
                    classId={whole.id}
                    student={student}
                    pin={pins.get(student.id)}
                    onPin={(made) => showPins([made])}
                  />
                ))}
              </tbody>
            </table>
          )}
          <ClassGroups whole={whole} />
        </div>
        <AddStudents classId={whole.id} onAdded={showPins} />
      </div>
    </>
  )
}

interface StudentRowProps {
  classId: string
  student: { id: string; name: string }
  pin: string | undefined
  onPin: (made: StudentWithPin) => void
}

function StudentRow({ classId, student, pin, onPin }: StudentRowProps) {
  const [name, setName] = useState(student.name)
  const [leaving, setLeaving] = useState(false)
  const ids = { class: classId, student: student.id }
  const trying = async (work: () => Promise<void>) => {
    try {
      await work()
      refreshClass(classId)
    } catch (error) {
      setName(student.name)
      sayProblem(error)
    }
  }
  const rename = () => name.trim() !== student.name && trying(() => ask(CALLS.renameStudent, ids, { name }))
  return (
    <tr className="border-b border-rule">
      <td className="py-1.5 pr-4">
        <input
          aria-label={`Name of ${student.name}`}
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onBlur={() => void rename()}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          className="w-full rounded-tag border border-transparent bg-transparent px-2 py-1 font-semibold hover:border-rule focus:border-ink-soft focus:bg-sheet"
        />
      </td>
      <td className="tabular w-24 py-1.5 text-lg font-bold tracking-widest">
        {pin ?? <span className="text-base font-normal tracking-normal text-ink-soft">kept</span>}
      </td>
      <td className="w-[1%] py-1.5 whitespace-nowrap">
        {leaving ? (
          <>
            <Button look="back" onClick={() => void trying(() => ask(CALLS.removeStudent, ids))}>
              Remove; the work stays
            </Button>
            <Button look="quiet" onClick={() => setLeaving(false)}>
              Keep
            </Button>
          </>
        ) : (
          <>
            <Button
              look="quiet"
              onClick={() => void trying(async () => onPin(await ask(CALLS.renewPin, ids)))}
            >
              New PIN
            </Button>
            <Button look="quiet" onClick={() => setLeaving(true)}>
              Remove
            </Button>
          </>
        )}
      </td>
    </tr>
  )
}

function AddStudents({
  classId,
  onAdded,
}: {
  classId: string
  onAdded: (made: readonly StudentWithPin[]) => void
}) {
  const [text, setText] = useState('')
  const names = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
  const { run, busy, problem } = useAct(async () => {
    onAdded(await ask(CALLS.addStudents, { class: classId }, { names }))
    setText('')
    refreshClass(classId)
  })
  return (
    <ActForm
      onAct={run}
      className="flex flex-col gap-3 rounded-md border border-rule bg-card p-6 max-lg:order-first"
    >
      <label className="flex flex-col gap-1 font-semibold">
        Add students
        <textarea
          rows={8}
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="One name a line"
          className={`${INPUT} font-normal`}
        />
      </label>
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
      <Button type="submit" look="main" disabled={busy || names.length === 0}>
        {names.length > 1 ? `Add ${names.length} students` : 'Add'}
      </Button>
    </ActForm>
  )
}
