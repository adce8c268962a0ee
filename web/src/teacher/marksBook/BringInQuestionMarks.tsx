import type { CopyRow, MarksRead } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { count } from '../../ui/when.ts'
import { broughtForQuestions, questionOfColumn } from './broughtIn.ts'
import { ChooseCsv } from './ChooseCsv.tsx'
import { NotTaken } from './NotTaken.tsx'
import type { AskedFor } from './questionColumns.ts'
import type { CopyMarks } from './useMarksByQuestion.ts'
import type { Typed } from './useTypingMarks.ts'

interface BringInQuestionMarksProps {
  rows: readonly CopyRow[]
  asked: readonly AskedFor[]
  ofCopy: ReadonlyMap<string, CopyMarks>
  onTake: (typed: readonly Typed[]) => void
  onClose: () => void
}

/** Brings marks by question in from a CSV: what would be given is seen before it is. */
export function BringInQuestionMarks({ rows, asked, ofCopy, onTake, onClose }: BringInQuestionMarksProps) {
  const [read, setRead] = useState<MarksRead>()
  const brought = useMemo(
    () => read && broughtForQuestions(read, asked, rows, ofCopy),
    [read, asked, rows, ofCopy],
  )
  const others =
    read?.columns.filter(({ title, isTotal }) => !isTotal && !questionOfColumn(title, asked)) ?? []
  const taken = brought?.taken ?? []
  const onPaper = new Set(taken.flatMap(({ row }) => (row.state === 'waiting' ? [row.id] : []))).size
  return (
    <Dialog open onClose={onClose} title="Bring in marks" wide>
      <div className="grid gap-4">
        <p>
          A CSV with the students’ names and a column for each question, headed as the questions are:{' '}
          {asked.map(({ question }) => question.label).join(', ')}. Nothing changes before you have seen it.
        </p>
        <ChooseCsv onRead={setRead} />
        {brought && (
          <>
            <p role="status" className="text-lg">
              {taken.length === 0
                ? 'There is nothing new in it.'
                : `${count(taken.length, 'mark', 'marks')} for ${count(new Set(taken.map(({ row }) => row.id)).size, 'copy', 'copies')} will be given.`}
              {onPaper > 0 &&
                ` ${onPaper} of these copies ${onPaper === 1 ? 'has' : 'have'} not been opened: done on paper, they count as handed in.`}
            </p>
            {others.length > 0 && (
              <p className="text-ochre">
                No question is called {others.map(({ title }) => `“${title}”`).join(', ')}: left out.
              </p>
            )}
            <NotTaken wrong={brought.wrong} />
            <Button
              look="main"
              large
              disabled={taken.length === 0}
              onClick={() => {
                onTake(taken)
                onClose()
              }}
            >
              Give {taken.length === 1 ? 'this mark' : 'these marks'}
            </Button>
          </>
        )}
      </div>
    </Dialog>
  )
}
