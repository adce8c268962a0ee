import { type BookColumn, histogramOf, type MarksBook } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Download, FileUp, Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { BarChart } from '../../ui/charts/BarChart.tsx'
import { DataTable } from '../../ui/DataTable.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { count } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { BringInElsewhere } from './BringInElsewhere.tsx'
import { type BookRow, bookRows, isBegun, unitsOf, wholeIn } from './classBook.ts'
import { columnsOf, feetOf } from './classColumns.tsx'
import { ElsewhereDialog } from './ElsewhereDialog.tsx'
import { ResultsForSchool } from './ResultsForSchool.tsx'
import { TakeMarksAway } from './TakeMarksAway.tsx'

/** The marks book of a class: its students by what they were given marks for. */
export function ClassMarks() {
  const { class: id = '' } = useParams()
  const book = useQuery({ ...asked.marksBook(id), staleTime: 0 })
  return <Fetched of={book}>{(whole) => <Book key={id} classId={id} book={whole} />}</Fetched>
}

type Opened = 'new' | 'bring' | 'away' | BookColumn

function Book({ classId, book }: { classId: string; book: MarksBook }) {
  const [unit, setUnit] = useState('')
  const [name, setName] = useState('')
  const [missingIsNothing, setMissing] = useState(false)
  const [bar, setBar] = useState<string>()
  const [opened, setOpened] = useState<Opened>()
  const units = unitsOf(book.columns)
  const shown = book.columns.filter((column) => unit === '' || column.unit === unit)
  const rows = useMemo(
    () =>
      bookRows(
        book,
        unit === '' ? book.columns : book.columns.filter((column) => column.unit === unit),
        missingIsNothing,
      ),
    [book, unit, missingIsNothing],
  )
  const bars = barsOf(rows)
  const behind = bars.find(({ id }) => id === bar)
  const named = rows.filter((row) => row.name.toLowerCase().includes(name.trim().toLowerCase()))
  const listed = behind ? named.filter(({ id }) => behind.students.includes(id)) : named
  const columns = columnsOf(classId, shown, (column) => setOpened(column))
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-3 border-b border-rule pb-4">
        <div className="mr-auto">
          <h1 className="text-head">Marks of {book.className}</h1>
          <p className="text-ink-soft">
            <Link to={`/class/${classId}`} className="text-ink-soft">
              {count(book.students.length, 'student', 'students')}
            </Link>
            {' · '}
            {count(book.columns.length, 'thing', 'things')} marked
          </p>
        </div>
        <Button onClick={() => setOpened('new')}>
          <Plus size={18} aria-hidden="true" /> Marks from elsewhere
        </Button>
        <Button onClick={() => setOpened('bring')}>
          <FileUp size={18} aria-hidden="true" /> Bring in
        </Button>
        <Button onClick={() => setOpened('away')} disabled={book.columns.length === 0}>
          <Download size={18} aria-hidden="true" /> Take marks away
        </Button>
      </div>
      {book.columns.length === 0 || book.students.length === 0 ? (
        <Empty title="No marks yet">
          What this class is handed out stands here as soon as it can be given marks. Marks for something else
          can be added above.
        </Empty>
      ) : (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
            <input
              type="search"
              aria-label="Students with this in their name"
              placeholder="Find a student"
              value={name}
              onChange={({ target }) => setName(target.value)}
              className={`${INPUT} !w-[190px]`}
            />
            {units.length > 1 && (
              <select
                aria-label="Unit"
                value={unit}
                onChange={({ target }) => setUnit(target.value)}
                className={`${INPUT} !w-auto`}
              >
                <option value="">All units</option>
                {units.map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </select>
            )}
            <Tick ticked={missingIsNothing} onTick={setMissing}>
              What is missing counts as no marks
            </Tick>
          </div>
          {behind && (
            <p
              role="status"
              className="mb-3 flex flex-wrap items-center gap-3 rounded-tag border border-rule bg-card px-4 py-2"
            >
              <b>{behind.says}</b>
              <Button look="quiet" onClick={() => setBar(undefined)}>
                Show all
              </Button>
            </p>
          )}
          {listed.length === 0 ? (
            <p className="py-6 text-ink-soft">Nobody of that name.</p>
          ) : (
            <DataTable columns={columns} rows={listed} feet={feetOf(shown, rows)} wide low />
          )}
          <div className="mt-8 grid gap-5 tablet:grid-cols-2">
            <BarChart
              title="Totals"
              says="How many students reached how much, all counting things together."
              heads={['Of all marks', 'Students']}
              bars={bars.map(({ id, label, students }) => ({
                id,
                label,
                value: students.length,
                says: String(students.length),
              }))}
              chosen={behind?.id}
              onChoose={(id) => setBar(id === bar ? undefined : id)}
            />
          </div>
        </>
      )}
      {(opened === 'new' || typeof opened === 'object') && (
        <ElsewhereDialog
          classId={classId}
          book={book}
          units={units}
          column={typeof opened === 'object' ? opened : undefined}
          onClose={() => setOpened(undefined)}
        />
      )}
      {opened === 'bring' && (
        <BringInElsewhere classId={classId} book={book} onClose={() => setOpened(undefined)} />
      )}
      {opened === 'away' && (
        <TakeMarksAway
          name={book.className}
          table={{
            columns: shown,
            rows: rows.map((row) => ({
              name: row.name,
              id: row.rosterId,
              given: shown.map((column) => wholeIn(row.cells.get(column.id))),
              share: row.total.share,
            })),
          }}
          onClose={() => setOpened(undefined)}
        >
          {rows.some(({ cells }) => shown.some(({ id }) => isBegun(cells.get(id)))) && (
            <p className="text-ochre">Copies that are not marked through yet are left empty in it.</p>
          )}
          <ResultsForSchool classId={classId} book={book} columns={shown} />
        </TakeMarksAway>
      )}
    </>
  )
}

interface TotalsBar {
  readonly id: string
  readonly label: string
  readonly says: string
  readonly students: readonly string[]
}

/** How many students reached which tenth of all. The share of a total is told in ten-thousandths, so that half is half. */
function barsOf(rows: readonly BookRow[]): TotalsBar[] {
  const totals = rows.flatMap(({ id, total: { share } }) =>
    share === undefined ? [] : [{ id, given: Math.round(share * 10_000), full: 10_000 }],
  )
  return histogramOf(totals).map(({ label, of }) => ({
    id: label,
    label: label.replace(/ %$/, ''),
    says: `${count(of.length, 'student', 'students')} with ${label}`,
    students: of.map(({ id }) => id),
  }))
}
