import { TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const speak = {
  name: () => 'Voice place',
  group: 'Ask',
  list: {
    speak: { name: 'Voice place', put: { size: [60, 20] } },
  },
  Panel,
} satisfies TeacherKind<'speak'>

function Panel({ item, set }: PanelProps<'speak'>) {
  return <TextRow label="Label" first value={item.label} onChange={(label) => set({ label }, 'label')} />
}
