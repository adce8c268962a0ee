import { readPageNumbers, sayPageNumbers, type WorksheetPage } from '@hand-back/core'
import { useState } from 'react'
import { PaperThumb } from '../../../page/pages/PaperThumb.tsx'
import { Button } from '../../../ui/Button.tsx'
import { Field } from '../../../ui/Field.tsx'
import { TickBox } from '../../../ui/Tick.tsx'

interface PagesPickProps {
  pages: readonly WorksheetPage[]
  /** The ids of those that are wanted. */
  chosen: ReadonlySet<string>
  onChange: (chosen: ReadonlySet<string>) => void
}

/** Some of many pages, by their small pictures or by their numbers. */
export function PagesPick({ pages, chosen, onChange }: PagesPickProps) {
  const [typed, setTyped] = useState<string>()
  const indices = pages.flatMap(({ id }, index) => (chosen.has(id) ? [index] : []))
  const idsOf = (of: Iterable<number>) => new Set([...of].map((index) => pages[index]!.id))
  const wrong = typed !== undefined && readPageNumbers(typed, pages.length) === undefined
  const type = (text: string) => {
    setTyped(text)
    const read = readPageNumbers(text, pages.length)
    if (read) onChange(idsOf(read))
  }
  const toggle = (id: string) => {
    setTyped(undefined)
    const next = new Set(chosen)
    if (!next.delete(id)) next.add(id)
    onChange(next)
  }
  const set = (next: ReadonlySet<string>) => {
    setTyped(undefined)
    onChange(next)
  }
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-2">
        <div className="w-[260px]">
          <Field
            label="Which pages?"
            placeholder="3, 5–8"
            value={typed ?? sayPageNumbers(indices)}
            onChange={(event) => type(event.target.value)}
            onBlur={() => !wrong && setTyped(undefined)}
          />
        </div>
        <Button onClick={() => set(new Set(pages.map(({ id }) => id)))}>All {pages.length}</Button>
        <Button onClick={() => set(new Set())} disabled={chosen.size === 0}>
          None
        </Button>
        {wrong && (
          <p role="alert" className="basis-full text-madder">
            Write numbers from 1 to {pages.length}, like “3, 5–8”.
          </p>
        )}
      </div>
      <ul className="flex max-h-[46vh] flex-wrap gap-4 overflow-y-auto p-1" aria-label="Pages to choose from">
        {pages.map((page, index) => (
          <li key={page.id}>
            <label
              className={`flex cursor-pointer flex-col items-center gap-1 rounded-tag p-1 ${chosen.has(page.id) ? 'outline outline-2 outline-ink' : ''}`}
            >
              <PaperThumb page={page} width={96} label={`Page ${index + 1}`} />
              <span className="tabular flex min-h-8 items-center gap-1.5">
                <TickBox
                  aria-label={`Page ${index + 1}`}
                  checked={chosen.has(page.id)}
                  onChange={() => toggle(page.id)}
                />
                {index + 1}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  )
}
