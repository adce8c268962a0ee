import { COLOURS } from '../../../page/strip/swatches.ts'
import { ColourRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const ink = {
  name: () => 'My ink',
  group: 'Draw',
  list: {
    ink: { name: 'My ink' },
  },
  Panel,
} satisfies TeacherKind<'ink'>

function Panel({ item, set }: PanelProps<'ink'>) {
  return (
    <ColourRow
      label="Colour"
      value={item.stroke.colour}
      offer={[...COLOURS, ['#c9ced4', 'pale, to trace']]}
      onChange={(colour) => set({ stroke: { ...item.stroke, colour } }, 'colour')}
    />
  )
}
