import type { Printed } from '@hand-back/core'
import { FormulaField } from '../../../page/things/FormulaField.tsx'
import { ColourRow, NumberRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const formula = {
  name: () => 'Formula',
  group: 'Tell',
  list: {
    formula: { name: 'Formula', put: { size: [26, 10] } },
  },
  Panel,
} satisfies TeacherKind<'formula'>

function Panel({ item, set }: PanelProps<'formula'>) {
  return (
    <>
      <FormulaField
        latex={item.latex}
        onDrawn={(latex, drawing) => {
          const size = sizeOf(item)
          set(
            {
              latex,
              drawing,
              width: drawing.width * size,
              height: (drawing.ascent + drawing.descent) * size,
            },
            'latex',
          )
        }}
      />
      <NumberRow
        label="Size"
        value={sizeOf(item)}
        least={4}
        most={300}
        onChange={(size) =>
          set(
            { width: item.drawing.width * size, height: (item.drawing.ascent + item.drawing.descent) * size },
            'size',
          )
        }
      />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
    </>
  )
}

/** The size of a formula's letters in points. */
function sizeOf({ drawing, height }: Printed<'formula'>): number {
  const tall = drawing.ascent + drawing.descent
  return tall > 0 ? height / tall : 18
}
