import { TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const piece = {
  name: () => 'Part of a page',
  group: 'Tell',
  list: {
    part: { name: 'Part of a page' },
  },
  Panel,
} satisfies TeacherKind<'piece'>

function Panel({ item, set }: PanelProps<'piece'>) {
  return (
    <TextRow
      label="In words, for those who cannot see it"
      lines={2}
      value={item.alt}
      longest={500}
      onChange={(alt) => set({ alt }, 'alt')}
    />
  )
}
