import { type MarksRead, NoMarks, readMarksCsv } from '@hand-back/core'
import { useState } from 'react'

interface ChooseCsvProps {
  onRead: (read: MarksRead, name: string) => void
}

/** The most bytes of a file with marks: a list of a whole school is smaller. */
const MOST_BYTES = 5_000_000

/** Chooses a CSV with marks; says what is wrong with one that cannot be used. */
export function ChooseCsv({ onRead }: ChooseCsvProps) {
  const [problem, setProblem] = useState<string>()
  const choose = async (file: File | undefined) => {
    if (!file) return
    setProblem(undefined)
    if (file.size > MOST_BYTES) return setProblem('This file is too large to be a list of marks.')
    try {
      onRead(readMarksCsv(new Uint8Array(await file.arrayBuffer())), file.name.replace(/\.[^.]*$/, ''))
    } catch (error) {
      if (error instanceof NoMarks) setProblem(error.message)
      else setProblem('This file cannot be read.')
    }
  }
  return (
    <>
      <label className="inline-flex min-h-[38px] w-fit cursor-pointer items-center rounded-tag border border-rule bg-sheet px-3.5 font-semibold hover:border-ink-soft has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-verdigris">
        Choose the CSV …
        <input
          type="file"
          accept=".csv,text/csv"
          className="sr-only"
          onChange={({ target }) => {
            void choose(target.files?.[0])
            target.value = ''
          }}
        />
      </label>
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
    </>
  )
}
