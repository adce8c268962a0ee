import { type CsvManner, type MarksTable, marksAsCsv } from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { saveFile } from '../../ui/saveFile.ts'

const MANNERS: Readonly<Record<CsvManner, string>> = {
  comma: 'Commas, and points in numbers: 1.5',
  semicolon: 'Semicolons, and commas in numbers: 1,5',
}
const NOTE = 'CSV written with'

interface TakeMarksAwayProps {
  /** What the file is called. */
  name: string
  table: MarksTable
  /** Other ways to take the marks away. */
  children?: ReactNode
  onClose: () => void
}

/** Marks as CSV, for a spreadsheet, written as it expects numbers. */
export function TakeMarksAway({ name, table, children, onClose }: TakeMarksAwayProps) {
  const [manner, setManner] = useState<CsvManner>(() =>
    readNote(NOTE) === 'semicolon' ? 'semicolon' : 'comma',
  )
  const save = () => {
    writeNote(NOTE, manner)
    saveFile(`${name} marks.csv`, marksAsCsv(table, manner), 'text/csv')
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Take the marks away">
      <div className="grid gap-4">
        <p>As CSV, which spreadsheets open: a student a line, with the full marks in the head.</p>
        <OneOf label="Written with" value={manner} onChoose={setManner} className="grid gap-2">
          {(Object.keys(MANNERS) as CsvManner[]).map((each) => (
            <Option
              key={each}
              value={each}
              className={`min-h-[44px] rounded-tag border bg-sheet px-3 py-2 text-left ${manner === each ? 'border-ink font-semibold outline-2 outline-ink' : 'border-rule'}`}
            >
              {MANNERS[each]}
            </Option>
          ))}
        </OneOf>
        <Button look="main" large onClick={save}>
          Save the CSV
        </Button>
        {children}
      </div>
    </Dialog>
  )
}
