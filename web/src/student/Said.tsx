import { type CopyWhole, isKept, isSaid, type LessonOfCopy, type WorksheetPage } from '@hand-back/core'
import { Hand, MessageSquareText, PenOff, Presentation } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { schoolNow } from '../lesson/schoolClock.ts'
import { GotIt } from './Standing.tsx'
import { useOwnLesson } from './useOwnLesson.ts'

interface SaidProps {
  copy: CopyWhole
  pages: readonly WorksheetPage[]
  /** Pens are down. */
  rests: boolean
}

/**
 * What the teacher says to the class just now, on slips over the head of the page: nothing moves under a pen, and what is
 * written goes on beneath them.
 */
export function Said({ copy, pages, rests }: SaidProps) {
  const lesson = useOwnLesson(copy.id)
  const [read, setRead] = useState(0)
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
          <Line strong icon={<PenOff size={20} aria-hidden="true" />}>
            <b>Pens down.</b> What you wrote is kept.
          </Line>
        )}
        {lesson.invited && (
          <Line strong icon={<Presentation size={20} aria-hidden="true" />}>
            <b>Your page is at the front.</b> What you write now, all can see.
          </Line>
        )}
        {kept >= 0 && (
          <Line icon={<Hand size={20} aria-hidden="true" className="rotate-90" />}>
            All stay on page {kept + 1} for now.
          </Line>
        )}
        {linesOf(lesson, now, read).map((line) => (
          <Line
            key={line.at}
            icon={<MessageSquareText size={20} aria-hidden="true" />}
            onRead={() => setRead(Math.max(read, line.at))}
          >
            {line.own && <b>To you: </b>}
            {line.words}
          </Line>
        ))}
      </div>
    </div>
  )
}

/** What was said and not read yet, the last first. */
function linesOf({ toAll, toOne }: LessonOfCopy, now: number, read: number) {
  const all = [
    { line: toOne, own: true },
    { line: toAll, own: false },
  ]
  return all
    .flatMap(({ line, own }) => (isSaid(line, now) && line.at > read ? [{ ...line, own }] : []))
    .sort((a, b) => b.at - a.at)
}

interface LineProps {
  icon: ReactNode
  strong?: boolean
  onRead?: () => void
  children: ReactNode
}

function Line({ icon, strong = false, onRead, children }: LineProps) {
  return (
    <div
      className={`flex items-center gap-3 rounded-tag border border-rule px-4 shadow-[0_2px_10px_rgb(30_43_58/0.18)] ${onRead ? 'py-0.5' : 'py-2'} ${strong ? 'bg-ochre-soft text-lg' : 'bg-card'}`}
    >
      <span className="text-ochre">{icon}</span>
      <p className="min-w-0 flex-1">{children}</p>
      {onRead && (
        <span className="pointer-events-auto">
          <GotIt onPress={onRead} />
        </span>
      )}
    </div>
  )
}
