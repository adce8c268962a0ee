import { arePensDown, type CopyRow, isSaid, isShown, type Lesson } from '@hand-back/core'
import { MessageSquareText, PenOff, Presentation, StickyNote, X } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { schoolNow } from '../../lesson/schoolClock.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { LineToClass } from './LineToClass.tsx'
import { PageForClass } from './PageForClass.tsx'
import { TimeForClass } from './TimeForClass.tsx'
import type { Say } from './useLesson.ts'

interface ToClassProps {
  lesson: Lesson
  say: Say
  rows: readonly CopyRow[]
  pages: readonly { readonly id: string }[]
  front: string
}

/** What a teacher says to everybody at once: time, pens down, a page to look at, a line; and what of that stands now. */
export function ToClass({ lesson, say, rows, pages, front }: ToClassProps) {
  const [open, setOpen] = useState<'look' | 'line'>()
  const toggle = (which: 'look' | 'line') => setOpen(open === which ? undefined : which)
  // What was opened meanwhile stays open.
  const close = (which: 'look' | 'line') => () => setOpen((now) => (now === which ? undefined : now))
  const down = arePensDown(lesson.pensDownAt, schoolNow())
  return (
    <div className="grid gap-4">
      <TimeForClass timer={lesson.timer} say={say} />
      <section aria-label="To the class" className="grid grid-cols-2 gap-2">
        <Button
          aria-pressed={down}
          className="whitespace-nowrap px-2 aria-pressed:border-ochre aria-pressed:bg-ochre-soft"
          onClick={() => void say({ say: down ? 'pens up' : 'pens down' })}
        >
          <PenOff size={17} aria-hidden="true" className="shrink-0" /> {down ? 'Pens up' : 'Pens down'}
        </Button>
        <LinkButton to={front}>
          <Presentation size={17} aria-hidden="true" /> Front
        </LinkButton>
        <Button
          className="whitespace-nowrap px-2"
          aria-expanded={open === 'look'}
          onClick={() => toggle('look')}
        >
          <StickyNote size={17} aria-hidden="true" className="shrink-0" /> Look at
        </Button>
        <Button className="px-2" aria-expanded={open === 'line'} onClick={() => toggle('line')}>
          <MessageSquareText size={17} aria-hidden="true" /> Say
        </Button>
      </section>
      {open === 'look' && <PageForClass pages={pages} say={say} onDone={close('look')} />}
      {open === 'line' && <LineToClass rows={rows} say={say} onDone={close('line')} />}
      <Standing lesson={lesson} say={say} rows={rows} pages={pages} />
    </div>
  )
}

/** What was said and holds until it is taken back. */
function Standing({ lesson, say, rows, pages }: Omit<ToClassProps, 'front'>) {
  const now = schoolNow()
  const { look, toAll } = lesson
  const number = look ? pages.findIndex(({ id }) => id === look.page) + 1 : 0
  const lines = Object.entries(lesson.toOne).flatMap(([copy, line]) => {
    const row = rows.find(({ id }) => id === copy)
    return row && isSaid(line, now) ? [{ row, line }] : []
  })
  const shown = isShown(look, now) && number > 0
  if (!shown && !isSaid(toAll, now) && lines.length === 0) return null
  return (
    <ul aria-label="What stands" className="border-t border-rule">
      {shown && (
        <Stands take="Take this back" onTake={() => void say({ say: 'look no more' })}>
          {look!.keeps ? `All stay on page ${number}` : `All were shown page ${number}`}
        </Stands>
      )}
      {isSaid(toAll, now) && (
        <Stands take="Take this line away" onTake={() => void say({ say: 'line', words: '' })}>
          “{toAll.words}”
        </Stands>
      )}
      {lines.map(({ row, line }) => (
        <Stands
          key={row.id}
          take={`Take the line to ${row.name} away`}
          onTake={() => void say({ say: 'line', words: '', copies: [row.id] })}
        >
          <b>{row.name}: </b>“{line.words}”
        </Stands>
      ))}
    </ul>
  )
}

function Stands({ take, onTake, children }: { take: string; onTake: () => void; children: ReactNode }) {
  return (
    <li className="flex items-center gap-2 border-b border-rule py-1 text-sm">
      <span className="min-w-0 flex-1 break-words">{children}</span>
      <Button look="quiet" aria-label={take} title={take} className="px-2" onClick={onTake}>
        <X size={17} aria-hidden="true" />
      </Button>
    </li>
  )
}
