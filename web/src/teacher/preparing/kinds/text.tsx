import { ChoiceRow, ColourRow, NumberRow, TextRow, TickRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const text = {
  name: () => 'Text',
  group: 'Tell',
  list: {
    text: { name: 'Text', put: { size: [80, 8] } },
  },
  Panel,
} satisfies TeacherKind<'text'>

function Panel({ item, set }: PanelProps<'text'>) {
  return (
    <>
      <TextRow
        label="Words"
        lines={5}
        first
        value={item.text}
        longest={20_000}
        onChange={(text) => set({ text }, 'text')}
      />
      <ChoiceRow
        label="Letters"
        value={item.face}
        options={[
          ['reading', 'for reading'],
          ['plain', 'plain'],
          ['book', 'as in a book'],
        ]}
        onChange={(face) => set({ face })}
      />
      <NumberRow
        label="Size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <TickRow label="Bold" on={item.bold} onChange={(bold) => set({ bold })} />
      <ChoiceRow
        label="Alignment"
        value={item.align}
        options={[
          ['left', 'left'],
          ['centre', 'centre'],
          ['right', 'right'],
        ]}
        onChange={(align) => set({ align })}
      />
      <ChoiceRow
        label="List"
        value={item.list}
        options={[
          ['none', 'no list'],
          ['dots', 'with dots'],
          ['numbers', 'with numbers'],
        ]}
        onChange={(list) => set({ list })}
      />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
    </>
  )
}
