import { TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const photo = {
  name: () => 'Photo place',
  group: 'Ask',
  list: {
    photo: { name: 'Photo place', put: { size: [70, 52] } },
  },
  Panel,
} satisfies TeacherKind<'photo'>

function Panel({ item, set }: PanelProps<'photo'>) {
  return <TextRow label="Label" first value={item.label} onChange={(label) => set({ label }, 'label')} />
}
