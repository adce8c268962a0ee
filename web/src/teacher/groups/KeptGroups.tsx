import { CALLS, type Group, type Grouping } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { sayDone } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'

interface KeptGroupsProps {
  classId: string
  groups: readonly Group[]
  onTake: (kept: Grouping) => void
  onKept?: () => void
}

/** Groups from the last time, and a name to keep these under for the next. */
export function KeptGroups({ classId, groups, onTake, onKept }: KeptGroupsProps) {
  const kept = useQuery(asked.groupings(classId))
  const [name, setName] = useState('')
  const { run, busy, problem } = useAct(async () => {
    const same = kept.data?.find((each) => each.name === name.trim())
    const id = same?.id ?? crypto.randomUUID()
    await ask(CALLS.keepGrouping, { class: classId, grouping: id }, { name, groups })
    await refresh(CALLS.groupings, { class: classId })
    setName('')
    onKept?.()
    sayDone(`Kept as “${name.trim()}”.`)
  })
  const input =
    'min-h-[38px] pointer-coarse:min-h-11 rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1'
  return (
    <>
      {kept.data && kept.data.length > 0 && (
        <select
          aria-label="Groups from before"
          value=""
          onChange={(event) => {
            const chosen = kept.data.find(({ id }) => id === event.target.value)
            if (chosen) onTake(chosen)
          }}
          className={input}
        >
          <option value="">Groups from before …</option>
          {kept.data.map(({ id, name: called }) => (
            <option key={id} value={id}>
              {called}
            </option>
          ))}
        </select>
      )}
      {groups.length > 0 && (
        <span className="flex items-center gap-2">
          <input
            aria-label="Keep these groups as"
            placeholder="Keep these as …"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            className={`${input} w-[150px]`}
          />
          {name.trim() !== '' && (
            <Button disabled={busy} onClick={() => void run()}>
              Keep
            </Button>
          )}
        </span>
      )}
      {problem && (
        <p role="alert" className="w-full text-madder">
          {problem}
        </p>
      )}
    </>
  )
}
