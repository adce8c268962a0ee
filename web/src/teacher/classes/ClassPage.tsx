import { CALLS, type ClassWhole, type Person, type StudentChange, type StudentWithPin } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { type ComponentProps, useCallback, useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { z } from 'zod'
import { ask, urlOf } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { type Column, DataTable } from '../../ui/DataTable.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { RequestForm } from '../../ui/RequestForm.tsx'
import { TitleField } from '../../ui/TitleField.tsx'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'
import { useDraft } from '../useDraft.ts'
import { ClassGroups } from './ClassGroups.tsx'
import { Colleagues } from './Colleagues.tsx'
import { Joining } from './Joining.tsx'
import { RosterDialog } from './RosterDialog.tsx'
import { SlipsDialog } from './SlipsDialog.tsx'

/** A class with its students: add, rename, remove, new PIN. */
export function ClassPage({ person }: { person: Person }) {
  const { class: id = '' } = useParams()
  const whole = useQuery(asked.class(id))
  return <Fetched of={whole}>{(each) => <Students key={each.id} whole={each} person={person} />}</Fetched>
}

function refreshClass(id: string): void {
  void refresh(CALLS.wholeClass, { class: id })
  void refresh(CALLS.classes)
}

function Students({ whole, person }: { whole: ClassWhole; person: Person }) {
  const [pins, setPins] = useState<ReadonlyMap<string, string>>(new Map())
  const rename = async (name: string) => {
    await ask(CALLS.renameClass, { class: whole.id }, { name })
    refreshClass(whole.id)
  }
  const [open, setOpen] = useState<'slips' | 'roster'>()
  const showPins = useCallback(
    (students: readonly StudentWithPin[]) =>
      setPins((before) => new Map([...before, ...students.map(({ id, pin }) => [id, pin] as const)])),
    [],
  )
  const columns = useMemo(
    () => columnsOf(whole.id, pins, (made) => showPins([made])),
    [whole.id, pins, showPins],
  )
  return (
    <>
      <div className="mb-6 flex flex-wrap items-baseline gap-4 border-b border-rule pb-4 max-tablet:gap-2">
        <TitleField label="Name of the class" title={whole.name} longest={60} onRename={rename} />
        <p className="text-ink-soft">
          class code <b className="tabular text-xl tracking-widest text-ink">{whole.code}</b>
        </p>
        <span className="flex-1" />
        {/* Together, so that none of them stands alone in a line under the name. */}
        <span className="flex flex-wrap items-baseline gap-4">
          <Button onClick={() => setOpen('slips')} disabled={whole.students.length === 0}>
            Slips to cut
          </Button>
          <Button onClick={() => setOpen('roster')}>Bring in a list</Button>
          <a
            href={urlOf(CALLS.roster, { class: whole.id })}
            download
            className="font-semibold text-verdigris underline underline-offset-4"
          >
            List as CSV
          </a>
          <Link
            to={`/class/${whole.id}/marks`}
            className="font-semibold text-verdigris underline underline-offset-4"
          >
            Marks
          </Link>
          <Link
            to={`/class/${whole.id}/mail`}
            className="font-semibold text-verdigris underline underline-offset-4"
          >
            Mail
          </Link>
        </span>
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
      <div className="grid items-start gap-9 laptop:grid-cols-[1fr_320px]">
        <div>
          {pins.size > 0 && (
            <p role="status" className="mb-4 rounded-tag border border-ochre-fill bg-ochre-soft px-4 py-2.5">
              Write the new PINs down now: they cannot be shown again, only made anew.
              <span className="mt-1 flex flex-wrap gap-x-5">
                {whole.students.map(
                  ({ id, name }) =>
                    pins.has(id) && (
                      <span key={id}>
                        {name} <b className="tabular tracking-wider">{pins.get(id)}</b>
                      </span>
                    ),
                )}
              </span>
            </p>
          )}
          {whole.students.length === 0 ? (
            <Empty title="Nobody in this class yet">Write the names at the side, one a line.</Empty>
          ) : (
            <DataTable columns={columns} rows={whole.students} />
          )}
          <ClassGroups key={whole.id} whole={whole} />
        </div>
        <div className="max-laptop:contents">
          <AddStudents key={whole.id} classId={whole.id} onAdded={showPins} />
          <Colleagues key={whole.id} whole={whole} person={person} />
        </div>
      </div>
    </>
  )
}

type Student = ClassWhole['students'][number]

const columnsOf = (
  classId: string,
  pins: ReadonlyMap<string, string>,
  onPin: (made: StudentWithPin) => void,
): Column<Student>[] => [
  {
    id: 'name',
    head: 'Student',
    orderBy: ({ name }) => name,
    cellClass: 'pr-4',
    cell: (student) => (
      <FieldOfStudent
        key={student.name}
        classId={classId}
        student={student}
        label={`Name of ${student.name}`}
        value={student.name}
        maxLength={80}
        asChange={(name) => ({ name })}
        className="font-semibold"
      />
    ),
  },
  {
    id: 'mail',
    head: 'Mail',
    className: 'max-handheld:hidden',
    cellClass: 'pr-4',
    cell: (student) => (
      <FieldOfStudent
        key={student.mail}
        classId={classId}
        student={student}
        label={`Mail address of ${student.name}`}
        value={student.mail ?? ''}
        type="email"
        maxLength={254}
        placeholder="no mail"
        asChange={(mail) => ({ mail: mail === '' ? null : mail })}
      />
    ),
  },
  {
    id: 'pin',
    head: 'PIN',
    cellClass: 'tabular w-24 text-lg font-bold tracking-widest',
    cell: ({ id }) =>
      pins.get(id) ?? <span className="text-base font-normal tracking-normal text-ink-soft">hidden</span>,
  },
  {
    id: 'acts',
    head: 'What to do',
    bare: true,
    cellClass: 'w-[1%] whitespace-nowrap',
    cell: (student) => <ActsOfStudent classId={classId} student={student} onPin={onPin} />,
  },
]

/** Does something with a student, and says why when it cannot be done. */
async function trying(classId: string, work: () => Promise<void>): Promise<boolean> {
  try {
    await work()
    refreshClass(classId)
    return true
  } catch (error) {
    sayProblem(error)
    return false
  }
}

interface OfStudent {
  classId: string
  student: Student
}

/** What is known of a student, to be changed where it stands; what school does not take is as it was. */
function FieldOfStudent({
  classId,
  student,
  label,
  value,
  asChange,
  ...field
}: OfStudent & {
  label: string
  value: string
  asChange: (typed: string) => StudentChange
} & Pick<ComponentProps<'input'>, 'type' | 'maxLength' | 'placeholder' | 'className'>) {
  const [typed, setTyped] = useState(value)
  const change = async () => {
    if (typed.trim() === value) return
    const ids = { class: classId, student: student.id }
    if (!(await trying(classId, () => ask(CALLS.changeStudent, ids, asChange(typed.trim()))))) setTyped(value)
  }
  return (
    <input
      {...field}
      aria-label={label}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void change()}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      className={`w-full rounded-tag border border-transparent bg-transparent px-2 py-1 hover:border-rule focus:border-ink-soft focus:bg-sheet ${field.className ?? ''}`}
    />
  )
}

function ActsOfStudent({ classId, student, onPin }: OfStudent & { onPin: (made: StudentWithPin) => void }) {
  const [leaving, setLeaving] = useState(false)
  const ids = { class: classId, student: student.id }
  if (leaving)
    return (
      <>
        <Button look="back" onClick={() => void trying(classId, () => ask(CALLS.removeStudent, ids))}>
          Remove; the work stays
        </Button>
        <Button look="quiet" onClick={() => setLeaving(false)}>
          Keep
        </Button>
      </>
    )
  return (
    <>
      <Button
        look="quiet"
        onClick={() => void trying(classId, async () => onPin(await ask(CALLS.renewPin, ids)))}
      >
        New PIN
      </Button>
      <Button look="quiet" onClick={() => setLeaving(true)}>
        Remove
      </Button>
    </>
  )
}

function AddStudents({
  classId,
  onAdded,
}: {
  classId: string
  onAdded: (made: readonly StudentWithPin[]) => void
}) {
  const draft = useDraft(`names ${classId}`, z.string(), () => '')
  const text = draft.value
  const names = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
  const { run, busy, problem } = useAct(async () => {
    onAdded(await ask(CALLS.addStudents, { class: classId }, { names }))
    draft.startAfresh()
    refreshClass(classId)
  })
  return (
    <RequestForm
      form={{ submit: run, refused: problem, busy }}
      send={names.length > 1 ? `Add ${names.length} students` : 'Add'}
      ready={names.length > 0}
      className="flex flex-col gap-3 rounded-md border border-rule bg-card p-6 max-laptop:order-first"
    >
      <label className="flex flex-col gap-1 font-semibold">
        Add students
        <textarea
          rows={8}
          value={text}
          onChange={(event) => draft.change(() => event.target.value)}
          placeholder="One name a line"
          className={`${INPUT} font-normal`}
        />
      </label>
    </RequestForm>
  )
}
