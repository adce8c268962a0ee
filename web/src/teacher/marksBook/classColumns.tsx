import { type BookCell, type BookColumn, sayMarks, spreadOf } from '@hand-back/core'
import { Link } from 'react-router'
import { Corner } from '../../ui/Corner.tsx'
import type { Column, Foot } from '../../ui/DataTable.tsx'
import { BookHead } from './BookHead.tsx'
import { giveElsewhere } from './bookActs.ts'
import { type BookRow, reachedIn, shareIn } from './classBook.ts'
import { MarkCell } from './MarkCell.tsx'
import { sayMean, sayMiddle, sayOf, sayShare } from './sayNumbers.ts'

/** The columns of a class's book: its students, what was marked, and their totals. */
export function columnsOf(
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

/** What is said of every column under all students. */
export function feetOf(shown: readonly BookColumn[], rows: readonly BookRow[]): Foot[] {
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
