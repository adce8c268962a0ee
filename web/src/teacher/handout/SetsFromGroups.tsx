import { type StudentSet, setsFromGroups } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { asked } from '../asked.ts'

interface SetsFromGroupsProps {
  classId: string
  sets: readonly StudentSet[]
  /** They are as these kept groups have them already. */
  asKept: string | undefined
  onTake: (setOf: Record<string, string>) => void
}

/** Kept groups of a class that are called like the sets, to be taken for them in one go. */
export function SetsFromGroups({ classId, sets, asKept, onTake }: SetsFromGroupsProps) {
  const kept = useQuery(asked.groupings(classId))
  const fitting = kept.data?.filter(({ groups }) => setsFromGroups(sets, groups)) ?? []
  if (fitting.length === 0) return null
  return (
    <select
      aria-label="Sets as in groups from before"
      value={fitting.find(({ name }) => name === asKept)?.id ?? ''}
      onChange={(event) => {
        const chosen = fitting.find(({ id }) => id === event.target.value)
        const setOf = chosen && setsFromGroups(sets, chosen.groups)
        if (setOf) onTake(setOf)
      }}
      className="min-h-[38px] pointer-coarse:min-h-11 rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1"
    >
      <option value="">Sets from before …</option>
      {fitting.map(({ id, name }) => (
        <option key={id} value={id}>
          as in “{name}”
        </option>
      ))}
    </select>
  )
}
