import type { Printed } from '@hand-back/core'
import { ChoiceRow, ColourRow, NumberRow, TickRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const shape = {
  name: ({ form }: Printed<'shape'>) => (form === 'line' ? 'Line' : 'Shape'),
  group: 'Draw',
  list: {
    line: { name: 'Line or arrow', put: { size: [50, 0], as: { form: 'line' }, isLine: true } },
    shape: { name: 'Shape', put: { size: [40, 28] } },
  },
  Panel,
} satisfies TeacherKind<'shape'>

function Panel({ item, set }: PanelProps<'shape'>) {
  const line = item.form === 'line'
  return (
    <>
      {line ? (
        <ChoiceRow
          label="Arrowheads"
          value={item.heads}
          options={[
            ['none', 'none'],
            ['end', item.rising ? 'at the upper end' : 'at the right end'],
            ['start', item.rising ? 'at the lower end' : 'at the left end'],
            ['both', 'at both ends'],
          ]}
          onChange={(heads) => set({ heads })}
        />
      ) : (
        <ChoiceRow
          label="Shape"
          value={item.form}
          options={[
            ['rectangle', 'rectangle'],
            ['ellipse', 'circle or ellipse'],
            ['triangle', 'triangle'],
          ]}
          onChange={(form) => set({ form })}
        />
      )}
      <NumberRow
        label="Line, pt"
        value={item.line}
        least={0}
        most={60}
        onChange={(width) => set({ line: width }, 'line')}
      />
      <TickRow label="Dashed" on={item.dashed} onChange={(dashed) => set({ dashed })} />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
      {!line && (
        <ColourRow
          label="Filled with"
          value={item.fill}
          onChange={(fill) => set({ fill }, 'fill')}
          none={{ word: 'nothing', choose: () => set({ fill: null }) }}
        />
      )}
    </>
  )
}
