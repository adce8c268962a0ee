import { type ClassWhole, type Group, group, groupsNow } from '@hand-back/core'
import { useMemo } from 'react'
import { z } from 'zod'
import { GoesOn } from '../GoesOn.tsx'
import { GroupsEditor } from '../groups/GroupsEditor.tsx'
import { KeptGroups } from '../groups/KeptGroups.tsx'
import { useDraft } from '../useDraft.ts'

/** Groups of a class: made by hand or at random, kept under a name for handing out. */
export function ClassGroups({ whole }: { whole: ClassWhole }) {
  const draft = useDraft(`groups ${whole.id}`, z.array(group), (): Group[] => [])
  const groups = useMemo(() => groupsNow(draft.value, whole.students), [draft.value, whole.students])
  const setGroups = (now: readonly Group[]) => draft.change(() => [...now])
  if (whole.students.length === 0) return null
  return (
    <details open={draft.goesOnFrom !== undefined} className="mt-8 rounded-md border border-rule bg-card p-5">
      <summary className="cursor-pointer font-serif text-lg font-semibold">Groups</summary>
      <div className="flex flex-col gap-4 pt-4">
        <GoesOn draft={draft} />
        <GroupsEditor roster={whole.students} groups={groups} onChange={setGroups}>
          <KeptGroups
            classId={whole.id}
            groups={groups}
            onTake={(kept) => setGroups(kept.groups)}
            onKept={draft.done}
          />
        </GroupsEditor>
      </div>
    </details>
  )
}
