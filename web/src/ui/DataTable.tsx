import {
  type ColumnDef,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { Fragment, type ReactNode, useMemo } from 'react'

export interface Column<Row> {
  readonly id: string
  /** What stands over it. */
  readonly head: string
  /** It says itself what it is: its head is only heard. */
  readonly bare?: boolean
  /** What else stands over it, under its head. */
  readonly under?: ReactNode
  /** By what rows are put in order when its head is pressed; left out: they are not. Nothing comes last. */
  readonly orderBy?: (row: Row) => string | number | null
  readonly cell: (row: Row) => ReactNode
  readonly className?: string
  /** Of the cells in its rows, beside `className`. */
  readonly cellClass?: string
}

/** A line under all rows, with what it says of each column and a sentence on what that means. */
export interface Foot {
  readonly id: string
  readonly label: string
  readonly meaning?: string
  readonly cell: (column: string) => ReactNode
}

interface DataTableProps<Row> {
  columns: readonly Column<Row>[]
  rows: readonly Row[]
  feet?: readonly Foot[]
  /** More columns than fit: they are moved to and fro, and the first stays in sight. */
  wide?: boolean
  /** Low rows: many are compared. */
  low?: boolean
  /** A press anywhere in a row, beside its links and buttons. */
  onOpen?: (row: Row) => void
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() })
const words = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' })

/** A table whose rows are put in order by pressing the head of a column: rising, falling, as they came. */
export function DataTable<Row extends { readonly id: string }>({
  columns,
  rows,
  feet = [],
  wide = false,
  low = false,
  onOpen,
}: DataTableProps<Row>) {
  const defs = useMemo(() => columns.map(asDef), [columns])
  const table = useTable({ features, columns: defs, data: rows as Row[], getRowId: ({ id }) => id })
  const of = new Map(columns.map((column) => [column.id, column]))
  const stays = (at: number) => (wide && at === 0 ? STAYS : '')
  const whole = (
    <table className="w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-rule text-ink-soft">
          {table.getHeaderGroups()[0]?.headers.map(({ column }, at) => {
            const { head, bare, under, orderBy, className = '' } = of.get(column.id)!
            const order = column.getIsSorted()
            return (
              <th
                key={column.id}
                aria-sort={order === false ? undefined : order === 'asc' ? 'ascending' : 'descending'}
                className={`py-1 align-bottom font-semibold ${className} ${stays(at)}`}
              >
                {bare ? (
                  <span className="sr-only">{head}</span>
                ) : orderBy ? (
                  <button
                    type="button"
                    onClick={column.getToggleSortingHandler()}
                    className="-ml-1 inline-flex min-h-[36px] items-center gap-1 rounded-tag px-1 text-left font-semibold hover:bg-blotter pointer-coarse:min-h-11"
                  >
                    {head}
                    {order === 'asc' && <ArrowUp size={15} aria-hidden="true" />}
                    {order === 'desc' && <ArrowDown size={15} aria-hidden="true" />}
                  </button>
                ) : (
                  head
                )}
                {under}
              </th>
            )
          })}
        </tr>
      </thead>
      <tbody>
        {table.getRowModel().rows.map(({ id, original }) => (
          <tr
            key={id}
            className={`border-b border-rule ${onOpen ? 'cursor-pointer hover:bg-card' : ''}`}
            onClick={onOpen && (() => onOpen(original))}
          >
            {columns.map(({ id: column, cell, className = '', cellClass = '' }, at) => (
              <td
                key={column}
                className={`${low ? 'py-px' : 'py-1.5'} ${className} ${cellClass} ${stays(at)}`}
              >
                {cell(original)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
      {feet.length > 0 && <Feet feet={feet} columns={columns} stays={stays} />}
    </table>
  )
  return wide ? <div className="overflow-x-auto">{whole}</div> : whole
}

/** What stays in sight while the others are moved. */
const STAYS = 'sticky left-0 z-10 bg-blotter'

function Feet<Row>({
  feet,
  columns,
  stays,
}: {
  feet: readonly Foot[]
  columns: readonly Column<Row>[]
  stays: (at: number) => string
}) {
  return (
    <tfoot>
      {feet.map(({ id, label, meaning, cell }) => (
        <Fragment key={id}>
          <tr className="border-t border-rule">
            {columns.map(({ id: column, className = '', cellClass = '' }, at) =>
              at === 0 ? (
                <th
                  key={column}
                  scope="row"
                  className={`pt-2 text-left font-semibold ${className} ${stays(at)}`}
                >
                  {label}
                </th>
              ) : (
                <td key={column} className={`pt-2 tabular ${className} ${cellClass}`}>
                  {cell(column)}
                </td>
              ),
            )}
          </tr>
          {meaning && (
            <tr>
              <td colSpan={columns.length} className="pb-2 text-small text-ink-soft">
                <span className="sticky left-0">{meaning}</span>
              </td>
            </tr>
          )}
        </Fragment>
      ))}
    </tfoot>
  )
}

function asDef<Row extends { readonly id: string }>({
  id,
  orderBy,
}: Column<Row>): ColumnDef<typeof features, Row> {
  if (!orderBy) return { id, enableSorting: false }
  return {
    id,
    accessorFn: (row) => orderBy(row) ?? undefined,
    sortDescFirst: false,
    sortUndefined: 'last',
    sortFn: (a, b) => inOrder(orderBy(a.original), orderBy(b.original)),
  }
}

function inOrder(a: string | number | null, b: string | number | null): number {
  return typeof a === 'number' && typeof b === 'number' ? a - b : words.compare(String(a), String(b))
}
