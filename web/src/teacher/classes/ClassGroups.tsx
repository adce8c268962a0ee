import type { ClassWhole, Group } from '@hand-back/core'
import { useState } from 'react'
import { GroupsEditor } from '../groups/GroupsEditor.tsx'
import { KeptGroups } from '../groups/KeptGroups.tsx'

/** Groups of a class: made by hand or at random, kept under a name for handing out. */
export function ClassGroups({ whole }: { whole: ClassWhole }) {
  const [groups, setGroups] = useState<readonly Group[]>([])
  if (whole.students.length === 0) return null
  return (
    <details className="mt-8 rounded-md border border-rule bg-card p-5">
      <summary className="cursor-pointer font-serif text-lg font-semibold">Groups</summary>
      <div className="pt-4">
        <GroupsEditor roster={whole.students} groups={groups} onChange={setGroups}>
          <KeptGroups classId={whole.id} groups={groups} onTake={(kept) => setGroups(kept.groups)} />
        </GroupsEditor>
      </div>
    </details>
  )
}
