import { type MarksBook, type MarksRead, readMarks, sayMarks } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { saySentence } from '../../ui/notices.ts'
import { TickBox } from '../../ui/Tick.tsx'
import { count } from '../../ui/when.ts'
import { keepElsewhere } from './bookActs.ts'
import { broughtForClass } from './broughtIn.ts'
import { ChooseCsv } from './ChooseCsv.tsx'
import { NotTaken } from './NotTaken.tsx'

interface BringInElsewhereProps {
  classId: string
  book: MarksBook
  onClose: () => void
}

interface Wanted {
  readonly id: string
  readonly title: string
  readonly full: string
  readonly taken: boolean
}

/** The columns of a list, those ticked that are no sums and that the book does not have yet. */
const wantedOf = ({ columns, rows }: MarksRead, book: MarksBook): Wanted[] =>
  columns.map(({ title, full, isTotal }, at) => {
    const most = Math.max(0, ...rows.map(({ given }) => given[at] ?? 0))
    const there = book.columns.some((column) => column.title === title)
    return { id: crypto.randomUUID(), title, full: sayMarks(full ?? most), taken: !isTotal && !there }
  })

/** Brings marks in from a CSV: each column of numbers can become one of the book; what would come is seen before. */
export function BringInElsewhere({ classId, book, onClose }: BringInElsewhereProps) {
  const [read, setRead] = useState<MarksRead>()
  const [wanted, setWanted] = useState<readonly Wanted[]>([])
  const [busy, setBusy] = useState(false)
  const set = (id: string, some: Partial<Wanted>) =>
    setWanted((all) => all.map((each) => (each.id === id ? { ...each, ...some } : each)))
  const looked = wanted.map((each, at) => {
    const full = readMarks(each.full)
    const isFull = full !== undefined && full > 0 && full <= 100_000
    const brought = broughtForClass(read!, at, full ?? 0, book.students)
    return { ...each, hundredths: isFull ? full : undefined, brought }
  })
  const taking = looked.filter(({ taken }) => taken)
  const bring = async () => {
    setBusy(true)
    let done = 0
    for (const { id, title, hundredths, brought } of taking) {
      const head = { title, unit: '', at: Date.now(), full: hundredths!, weight: 100 }
      if (await keepElsewhere(classId, id, head, [...brought.taken])) done++
      else break
    }
    setBusy(false)
    if (done === taking.length) {
      saySentence(`${count(done, 'column is', 'columns are')} in the book.`)
      onClose()
    }
  }
  return (
    <Dialog open onClose={onClose} title="Bring in marks" wide>
      <div className="grid gap-4">
        <p>
          A CSV with the students’ names (or the ids of the school’s list) and a column of numbers for each
          thing that was marked. Nothing changes before you have seen it.
        </p>
        <ChooseCsv
          onRead={(told) => {
            setRead(told)
            setWanted(wantedOf(told, book))
          }}
        />
        {read && (
          <>
            <ul className="grid gap-2">
              {looked.map(({ id, title, full, hundredths, taken, brought }) => (
                <li
                  key={id}
                  className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule pb-2"
                >
                  <TickBox
                    aria-label={`Take ${title}`}
                    checked={taken}
                    onChange={({ target }) => set(id, { taken: target.checked })}
                  />
                  <input
                    aria-label="What it was"
                    value={title}
                    maxLength={120}
                    onChange={({ target }) => set(id, { title: target.value })}
                    className={`${INPUT} min-w-[180px] flex-1 !w-auto`}
                  />
                  <label className="flex items-center gap-2">
                    of
                    <input
                      aria-label={`Full marks of ${title}`}
                      inputMode="decimal"
                      value={full}
                      aria-invalid={hundredths === undefined}
                      onChange={({ target }) => set(id, { full: target.value })}
                      className={`${INPUT} !w-[84px] tabular ${hundredths === undefined ? '!border-madder' : ''}`}
                    />
                  </label>
                  <span className="w-[120px] text-ink-soft">
                    {count(brought.taken.length, 'student', 'students')}
                  </span>
                </li>
              ))}
            </ul>
            <NotTaken wrong={[...read.wrong, ...taking.flatMap(({ brought }) => brought.wrong)]} />
            <Button
              look="main"
              large
              disabled={
                busy ||
                taking.length === 0 ||
                taking.some(
                  ({ hundredths, title, brought }) =>
                    !hundredths || !title.trim() || brought.taken.length === 0,
                )
              }
              onClick={() => void bring()}
            >
              Bring in {count(taking.length, 'column', 'columns')}
            </Button>
          </>
        )}
      </div>
    </Dialog>
  )
}
