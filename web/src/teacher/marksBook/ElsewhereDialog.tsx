import { type BookColumn, elsewhereKept, type MarksBook, readMarks, sayMarks } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { keepElsewhere, removeElsewhere } from './bookActs.ts'

interface ElsewhereDialogProps {
  classId: string
  book: MarksBook
  units: readonly string[]
  /** The one to be changed; left out: a new one. */
  column: BookColumn | undefined
  onClose: () => void
}

const dayOf = (at: number) => {
  const date = new Date(at)
  const two = (part: number) => String(part).padStart(2, '0')
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
}

/** Marks for something that was not handed out here: a test on paper, something spoken, another program. */
export function ElsewhereDialog({ classId, book, units, column, onClose }: ElsewhereDialogProps) {
  const [id] = useState(() => column?.id ?? crypto.randomUUID())
  const [title, setTitle] = useState(column?.title ?? '')
  const [full, setFull] = useState(column ? sayMarks(column.full) : '')
  const [day, setDay] = useState(() => dayOf(column?.at ?? Date.now()))
  const [unit, setUnit] = useState(column?.unit ?? units.at(-1) ?? '')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const keep = async () => {
    const head = {
      title,
      unit,
      at: new Date(`${day}T12:00`).getTime(),
      full: readMarks(full) ?? Number.NaN,
      weight: column?.weight ?? 100,
    }
    const read = elsewhereKept.safeParse({ ...head, marks: [] })
    if (!read.success) {
      const [issue] = read.error.issues
      return setProblem(
        issue?.path[0] === 'full' ? 'Say how many marks there were to get, such as 20.' : issue?.message,
      )
    }
    setBusy(true)
    if (await keepElsewhere(classId, id, head)) onClose()
    setBusy(false)
  }
  return (
    <Dialog open onClose={onClose} title={column ? `Change ${column.title}` : 'Marks from elsewhere'}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void keep()
        }}
      >
        {!column && (
          <p>For a test on paper, something spoken, another school: then type the marks into its column.</p>
        )}
        <Field
          label="What was it?"
          value={title}
          maxLength={120}
          onChange={({ target }) => setTitle(target.value)}
        />
        <div className="grid grid-cols-2 gap-4">
          <Field
            label="Full marks"
            inputMode="decimal"
            value={full}
            onChange={({ target }) => setFull(target.value)}
          />
          <Field label="Day" type="date" value={day} onChange={({ target }) => setDay(target.value)} />
        </div>
        <Field
          label="Unit"
          list="units of the class"
          value={unit}
          maxLength={80}
          onChange={({ target }) => setUnit(target.value)}
        />
        <datalist id="units of the class">
          {units.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        {problem && (
          <p role="alert" className="text-madder">
            {problem}
          </p>
        )}
        <Button look="main" large type="submit" disabled={busy}>
          {column ? 'Keep' : 'Add the column'}
        </Button>
        {column && (
          <Button
            look="quiet"
            onClick={() => {
              void removeElsewhere(classId, column, book)
              onClose()
            }}
          >
            Remove it with its marks
          </Button>
        )}
      </form>
    </Dialog>
  )
}
