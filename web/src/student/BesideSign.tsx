import { besideNews, type CopyWhole, lookHere } from '@hand-back/core'
import { Eye } from 'lucide-react'
import { useEffect, useState } from 'react'
import { hear, live } from '../api/live.ts'

/** Who has not said so again for this long is not there any more, in milliseconds. */
const LASTS = 40_000

interface BesideSignProps {
  copy: CopyWhole
  /** Turns to a page that the teacher shows. */
  onLookHere: (page: string) => void
}

/** Says that a teacher looks at this copy just now. */
export function BesideSign({ copy, onLookHere }: BesideSignProps) {
  const [there, setThere] = useState<ReadonlyMap<string, number>>(new Map())
  const { id } = copy
  useEffect(
    () =>
      hear(live(), 'beside', besideNews, ({ copy: of, teacher, here }) => {
        if (of !== id) return
        setThere((before) => {
          const now = new Map(before)
          if (here) now.set(teacher, Date.now())
          else now.delete(teacher)
          return now
        })
      }),
    [id],
  )
  useEffect(() => {
    if (there.size === 0) return
    const oldest = Math.min(...there.values())
    const timer = setTimeout(
      () => setThere((before) => new Map([...before].filter(([, at]) => Date.now() - at < LASTS))),
      Math.max(0, oldest + LASTS - Date.now()) + 50,
    )
    return () => clearTimeout(timer)
  }, [there])
  useEffect(
    () => hear(live(), 'lookHere', lookHere, ({ copy: of, page }) => of === id && onLookHere(page)),
    [id, onLookHere],
  )
  const names = copy.teachers.filter((teacher) => there.has(teacher.id)).map(({ name }) => name)
  if (names.length === 0) return null
  return (
    <span
      role="status"
      className="inline-flex min-w-0 items-center gap-1.5 truncate rounded-tag bg-blotter px-2.5 py-1.5 text-slate"
    >
      <Eye size={18} aria-hidden="true" className="shrink-0" />
      <span className="truncate">
        {names.join(' and ')} {names.length === 1 ? 'is' : 'are'} with you
      </span>
    </span>
  )
}
