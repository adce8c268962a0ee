import {
  type CopyWhole,
  isKept,
  isSaid,
  type LessonOfCopy,
  type Person,
  type WorksheetPage,
} from '@hand-back/core'
import { Hand, MessageSquareText, PenOff, Presentation } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { schoolNow } from '../lesson/schoolClock.ts'
import { Meanwhile } from './Meanwhile.tsx'
import { SaidLine } from './SaidLine.tsx'
import { useOwnLesson, useWritesAt } from './useOwnLesson.ts'

interface SaidProps {
  copy: CopyWhole
  person: Person
  pages: readonly WorksheetPage[]
  page: string
  onTurn: (page: string) => void
  /** Pens are down. */
  rests: boolean
}

/**
 * What the teacher says to the class just now, in lines over the head of the page: nothing moves under a pen, and what is
 * written goes on beneath them.
 */
export function Said({ copy, person, pages, page, onTurn, rests }: SaidProps) {
  const lesson = useOwnLesson(copy.id)
  const writesAt = useWritesAt(copy.id)
  const [read, setRead] = useState<ReadonlySet<number>>(new Set())
  if (!lesson) return null
  const now = schoolNow()
  const kept = isKept(lesson.look, now) ? pages.findIndex(({ id }) => id === lesson.look!.page) : -1
  return (
    <div className="relative z-20 h-0">
      <div
        role="status"
        className="pointer-events-none absolute inset-x-0 top-2 mx-auto grid w-fit max-w-[min(640px,90%)] justify-items-center gap-1.5"
      >
        {rests && (
          <SaidLine strong icon={<PenOff size={20} aria-hidden="true" />}>
            <b>Pens down.</b> What you wrote is kept.
          </SaidLine>
        )}
        {lesson.atFront && (
          <SaidLine strong={lesson.invited} icon={<Presentation size={20} aria-hidden="true" />}>
            <b>Your page is at the front.</b> {lesson.invited && 'What you write now, all can see.'}
          </SaidLine>
        )}
        {writesAt !== null && writesAt !== copy.id && (
          <SaidLine strong icon={<Presentation size={20} aria-hidden="true" />}>
            <b>You are asked to write at the front.</b>{' '}
            <Link to={`/copy/${writesAt}`} className="pointer-events-auto font-semibold text-verdigris">
              Go there
            </Link>
          </SaidLine>
        )}
        {lesson.writes && (
          <SaidLine strong icon={<Presentation size={20} aria-hidden="true" />}>
            <b>You write at the front.</b> All can see it.
          </SaidLine>
        )}
        {kept >= 0 && (
          <SaidLine icon={<Hand size={20} aria-hidden="true" className="rotate-90" />}>
            All stay on page {kept + 1} for now.
          </SaidLine>
        )}
        <Meanwhile {...{ copy, person, pages, page, onTurn }} />
        {linesOf(lesson, now, read).map((line) => (
          <SaidLine
            key={line.at}
            icon={<MessageSquareText size={20} aria-hidden="true" />}
            onRead={() => setRead(new Set(read).add(line.at))}
          >
            {line.own && <b>To you: </b>}
            {line.words}
          </SaidLine>
        ))}
      </div>
    </div>
  )
}

/** What was said and not read yet, the last first. */
function linesOf({ toAll, toOne }: LessonOfCopy, now: number, read: ReadonlySet<number>) {
  const all = [
    { line: toOne, own: true },
    { line: toAll, own: false },
  ]
  return all
    .flatMap(({ line, own }) => (isSaid(line, now) && !read.has(line.at) ? [{ ...line, own }] : []))
    .sort((a, b) => b.at - a.at)
}
