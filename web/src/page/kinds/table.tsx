import { Table } from 'lucide-react'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import { Opens } from '../strip/Opens.tsx'
import { useCloseCard } from '../strip/OpensCard.tsx'
import type { ChangeProps, LaidKind } from './laidKind.ts'

const TableCounts = fetchedPart('TableCounts', () => import('../table/TableCounts.tsx'))

export const table = {
  puts: {
    table: {
      name: 'Table',
      icon: Table,
      size: [90, 36],
      make: ({ colour, width, times }) => ({ colour, line: Math.min(2 * times, width) }),
    },
  },
  Change: (props) => (
    <Opens icon={Table} label="Table">
      <Counts {...props} />
    </Opens>
  ),
} satisfies LaidKind<'table'>

function Counts({ thing, change }: ChangeProps<'table'>) {
  const close = useCloseCard()
  return <TableCounts thing={thing} change={change} onClose={close} />
}
