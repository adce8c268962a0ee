import { MOST_TABLE_LINES, withCount } from '@hand-back/core'
import { ColourRow, NumberRow, TickRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const table = {
  name: () => 'Table',
  group: 'Draw',
  list: { table: { name: 'Table', put: { size: [120, 40] } } },
  Panel,
} satisfies TeacherKind<'table'>

function Panel({ item, set }: PanelProps<'table'>) {
  const count = (side: 'columns' | 'rows') => (
    <NumberRow
      label={side === 'columns' ? 'Columns' : 'Rows'}
      value={item[side].length}
      least={1}
      most={MOST_TABLE_LINES}
      onChange={(wanted) => {
        const { width, height, columns, rows } = withCount(item, side, Math.round(wanted))
        set({ width, height, columns, rows }, side)
      }}
    />
  )
  return (
    <>
      {count('columns')}
      {count('rows')}
      <TickRow label="First row shaded" on={item.headed} onChange={(headed) => set({ headed })} />
      <NumberRow
        label="Line, pt"
        value={item.line}
        least={0}
        most={60}
        onChange={(line) => set({ line }, 'line')}
      />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
    </>
  )
}
