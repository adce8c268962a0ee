import type { ClassWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { sayWhen } from '../../ui/when.ts'
import { asked } from '../asked.ts'

/** Says that a class has this worksheet already: handed out again, everybody gets another copy. */
export function HasIt({ roster, worksheet }: { roster: ClassWhole; worksheet: string }) {
  const { data } = useQuery(asked.handouts())
  const before = data?.find(
    ({ worksheetId, classId, withdrawn }) => worksheetId === worksheet && classId === roster.id && !withdrawn,
  )
  if (!before) return null
  return (
    <p className="rounded-tag border border-ochre-fill bg-ochre-soft px-3 py-2">
      {roster.name} already has it, handed out {sayWhen(before.handedOutAt)}. This gives a second copy.{' '}
      <Link to={`/handout/${before.id}`} className="font-semibold text-verdigris">
        Open what they have
      </Link>
    </p>
  )
}
