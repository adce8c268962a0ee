import {
  type ColumnDef,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { type ReactNode, useMemo } from 'react'

export interface Column<Row> {
  readonly id: string
  /** What stands over it. */
  readonly head: string
  /** It says itself what it is: its head is only heard. */
  readonly bare?: boolean
  /** By what rows are put in order when its head is pressed; left out: they are not. Nothing comes last. */
  readonly orderBy?: (row: Row) => string | number | null
  readonly cell: (row: Row) => ReactNode
  readonly className?: string
  /** Of the cells in its rows, beside `className`. */
  readonly cellClass?: string
}

interface DataTableProps<Row> {
  columns: readonly Column<Row>[]
  rows: readonly Row[]
  /** A press anywhere in a row, beside its links and buttons. */
  onOpen?: (row: Row) => void
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() })
const words = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' })

/** A table whose rows are put in order by pressing the head of a column: rising, falling, as they came. */
export function DataTable<Row extends { readonly id: string }>({
  columns,
  rows,
  onOpen,
}: DataTableProps<Row>) {
  const defs = useMemo(() => columns.map(asDef), [columns])
  const table = useTable({ features, columns: defs, data: rows as Row[], getRowId: ({ id }) => id })
  const of = new Map(columns.map((column) => [column.id, column]))
  return (
    <table className="w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-rule text-ink-soft">
          {table.getHeaderGroups()[0]?.headers.map(({ column }) => {
            const { head, bare, orderBy, className = '' } = of.get(column.id)!
            const order = column.getIsSorted()
            return (
              <th
                key={column.id}
                aria-sort={order === false ? undefined : order === 'asc' ? 'ascending' : 'descending'}
                className={`py-1 font-semibold ${className}`}
              >
                {bare ? (
                  <span className="sr-only">{head}</span>
                ) : orderBy ? (
                  <button
                    type="button"
                    onClick={column.getToggleSortingHandler()}
                    className="-ml-1 inline-flex min-h-[36px] items-center gap-1 rounded-tag px-1 font-semibold hover:bg-blotter pointer-coarse:min-h-11"
                  >
                    {head}
                    {order === 'asc' && <ArrowUp size={15} aria-hidden="true" />}
                    {order === 'desc' && <ArrowDown size={15} aria-hidden="true" />}
                  </button>
                ) : (
                  head
                )}
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
            {columns.map(({ id: column, cell, className = '', cellClass = '' }) => (
              <td key={column} className={`py-1.5 ${className} ${cellClass}`}>
                {cell(original)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
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
