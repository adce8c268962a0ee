import {
  type BookCell,
  type BookColumn,
  histogramOf,
  type MarksBook,
  sayMarks,
  spreadOf,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Download, FileUp, Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { Corner } from '../../ui/Corner.tsx'
import { BarChart } from '../../ui/charts/BarChart.tsx'
import { type Column, DataTable, type Foot } from '../../ui/DataTable.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { count } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { BookHead } from './BookHead.tsx'
import { BringInElsewhere } from './BringInElsewhere.tsx'
import { giveElsewhere } from './bookActs.ts'
import { type BookRow, bookRows, reachedIn, shareIn, unitsOf } from './classBook.ts'
import { ElsewhereDialog } from './ElsewhereDialog.tsx'
import { MarkCell } from './MarkCell.tsx'
import { ResultsForSchool } from './ResultsForSchool.tsx'
import { sayMean, sayMiddle, sayOf, sayShare } from './sayNumbers.ts'
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
          <Download size={18} aria-hidden="true" /> Take away
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
              given: shown.map((column) => row.cells.get(column.id)?.given ?? null),
              share: row.total.share,
            })),
          }}
          onClose={() => setOpened(undefined)}
        >
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

function columnsOf(
  classId: string,
  shown: readonly BookColumn[],
  onChange: (column: BookColumn) => void,
): Column<BookRow>[] {
  return [
    {
      id: 'name',
      head: 'Student',
      orderBy: ({ name }) => name,
      className: 'pr-4 whitespace-nowrap',
      cellClass: 'font-semibold',
      cell: ({ id, name }) => (
        <Link to={`/class/${classId}/marks/${id}`} className="text-ink no-underline hover:underline">
          {name}
        </Link>
      ),
    },
    ...shown.map(
      (column): Column<BookRow> => ({
        id: column.id,
        head: column.title,
        under: <BookHead classId={classId} column={column} onChange={() => onChange(column)} />,
        orderBy: ({ cells }) => shareIn(cells.get(column.id)) ?? null,
        className: 'min-w-[112px] max-w-[150px] pr-3',
        cell: (row) => <Cell classId={classId} column={column} row={row} cell={row.cells.get(column.id)} />,
      }),
    ),
    {
      id: 'total',
      head: 'Total',
      under: <span className="block pb-1 text-small font-normal text-ink-soft">by weight</span>,
      orderBy: ({ total }) => total.share ?? null,
      className: 'whitespace-nowrap pl-2',
      cell: ({ total: { share, given, full } }) =>
        share !== undefined && (
          <span className="tabular">
            <b className="font-serif text-madder">{sayShare(share)}</b>{' '}
            <span className="text-ink-soft">· {sayOf(given, full)}</span>
          </span>
        ),
    },
  ]
}

interface CellProps {
  classId: string
  column: BookColumn
  row: BookRow
  cell: BookCell | undefined
}

/** What a student has in a column: typed where it came from elsewhere; else it leads to the copy. */
function Cell({ classId, column, row, cell }: CellProps) {
  if (column.from === 'elsewhere')
    return (
      <MarkCell
        name={`${row.name}, ${column.title}`}
        given={cell?.given ?? undefined}
        full={column.full}
        onGive={(given) => void giveElsewhere(classId, column, row.id, given)}
        onTake={() => void giveElsewhere(classId, column, row.id, null)}
      />
    )
  if (!cell?.copy) return <span className="text-ink-soft">·</span>
  const { given, full, left, state } = cell
  const says =
    given === null
      ? `${state}, no marks yet`
      : `${sayOf(given, full)}${left > 0 ? `, ${left} without marks` : ''}`
  return (
    <Link
      to={`/handout/${column.id}/pile/${cell.copy}`}
      aria-label={`${row.name}, ${column.title}: ${says}`}
      title={says}
      className="inline-flex min-h-[34px] items-center gap-1.5 rounded-tag px-1 no-underline hover:bg-card pointer-coarse:min-h-11"
    >
      {given === null ? (
        state && <Corner state={state} />
      ) : (
        <b className={`font-serif tabular ${left > 0 ? 'text-ink-soft' : 'text-madder'}`}>
          {sayMarks(given)}
          {left > 0 && ' …'}
        </b>
      )}
      {given !== null && full !== column.full && (
        <span className="text-small text-ink-soft">of {sayMarks(full)}</span>
      )}
    </Link>
  )
}

function feetOf(shown: readonly BookColumn[], rows: readonly BookRow[]): Foot[] {
  const spreads = new Map(
    shown.map((column) => {
      const marks = rows.flatMap(({ cells }) => {
        const cell = cells.get(column.id)
        return cell && cell.left === 0 ? (reachedIn(cell)?.given ?? []) : []
      })
      return [column.id, spreadOf(marks)]
    }),
  )
  const totals = spreadOf(
    rows.flatMap(({ total: { share } }) => (share === undefined ? [] : [share * 10_000])),
  )
  const say = (of: (numbers: NonNullable<typeof totals>) => string) => (column: string) => {
    const spread = column === 'total' ? totals : spreads.get(column)
    return spread ? `${of(spread)}${column === 'total' ? ' %' : ''}` : ''
  }
  return [
    {
      id: 'mean',
      label: 'Mean',
      meaning: 'All marks added up, divided by how many students have them all.',
      cell: say(({ mean }) => sayMean(mean)),
    },
    {
      id: 'median',
      label: 'Median',
      meaning: 'As many students have more as have less.',
      cell: say(({ median }) => sayMean(median)),
    },
    {
      id: 'spread',
      label: 'Middle half',
      meaning:
        'Half of the students lie in between; in brackets how far they lie from the mean (standard deviation).',
      cell: say((spread) => `${sayMiddle(spread)} (${sayMean(spread.deviation)})`),
    },
  ]
}
