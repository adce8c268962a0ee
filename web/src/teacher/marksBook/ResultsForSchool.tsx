import { type BookColumn, type MarksBook, oneRosterResults } from '@hand-back/core'
import { useState } from 'react'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { Button } from '../../ui/Button.tsx'
import { Field } from '../../ui/Field.tsx'
import { saveFile } from '../../ui/saveFile.ts'

interface ResultsForSchoolProps {
  classId: string
  book: MarksBook
  columns: readonly BookColumn[]
}

/** The marks as OneRoster results, for the school's own system. */
export function ResultsForSchool({ classId, book, columns }: ResultsForSchoolProps) {
  const note = `school ids of ${classId}`
  const [kept] = useState(() => (readNote(note) ?? '').split('\n'))
  const [ofClass, setOfClass] = useState(kept[0] ?? '')
  const [term, setTerm] = useState(kept[1] ?? '')
  const known = book.students.filter(({ rosterId }) => rosterId)
  const save = () => {
    writeNote(note, `${ofClass}\n${term}`)
    const bytes = oneRosterResults({
      classId: ofClass.trim(),
      termId: term.trim(),
      columns,
      students: known,
      cells: book.cells.flatMap((cell) => (cell.given === null ? [] : [{ ...cell, given: cell.given }])),
      now: Date.now(),
    })
    saveFile(`${book.className} OneRoster results.zip`, bytes, 'application/zip')
  }
  return (
    <details className="rounded-tag border border-rule px-4 py-2">
      <summary className="cursor-pointer py-1 font-semibold">For the school’s system (OneRoster)</summary>
      {known.length === 0 ? (
        <p className="py-2 text-ink-soft">
          None of these students has an id of the school’s list. Bring in the list with its ids first.
        </p>
      ) : (
        <div className="grid gap-3 py-2">
          {known.length < book.students.length && (
            <p className="text-ochre">
              {book.students.length - known.length} have no id of the school’s list and are left out.
            </p>
          )}
          <div className="grid grid-cols-2 gap-3">
            <Field
              label="The class’s id there"
              value={ofClass}
              maxLength={255}
              onChange={({ target }) => setOfClass(target.value)}
            />
            <Field
              label="The term’s id there"
              value={term}
              maxLength={255}
              onChange={({ target }) => setTerm(target.value)}
            />
          </div>
          <Button disabled={ofClass.trim() === '' || term.trim() === ''} onClick={save}>
            Save the results
          </Button>
        </div>
      )}
    </details>
  )
}
