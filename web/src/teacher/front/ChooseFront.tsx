import type { CopyRow, Front, WorksheetPage } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { frontWith, shownCopies } from './frontAs.ts'

interface ChooseFrontProps {
  front: Front | null
  pages: readonly WorksheetPage[]
  rows: readonly CopyRow[]
  show: (front: Front | null) => void
}

/** What is shown at the front: a page as it was handed out, or somebody's copy, beside another one if that is wanted. */
export function ChooseFront({ front, pages, rows, show }: ChooseFrontProps) {
  const [copy, setCopy] = useState('')
  const [first] = pages
  const shown = shownCopies(front)
  const place = (beside: boolean) => {
    if (copy === '' || !first) return
    show(frontWith(front, copy, shown[0]?.page ?? first.id, beside))
    setCopy('')
  }
  return (
    <section className="grid gap-4">
      <div>
        <h2 className="border-b border-rule pb-1.5 text-lg">A page</h2>
        <div className="mt-2 flex flex-wrap gap-1.5">
          {pages.map(({ id }, index) => (
            <Button
              key={id}
              aria-label={`Show page ${index + 1}`}
              aria-pressed={front?.what === 'page' && front.page === id}
              className="min-w-11 aria-pressed:border-verdigris aria-pressed:bg-blotter"
              onClick={() => show({ what: 'page', page: id })}
            >
              {index + 1}
            </Button>
          ))}
        </div>
      </div>
      <div className="grid gap-2">
        <h2 className="border-b border-rule pb-1.5 text-lg">A copy</h2>
        <select
          aria-label="Whose copy"
          value={copy}
          onChange={(event) => setCopy(event.target.value)}
          className={INPUT}
        >
          <option value="">whose?</option>
          {rows.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <div className="flex gap-2">
          <Button className="flex-1" disabled={copy === ''} onClick={() => place(false)}>
            Show
          </Button>
          {shown.length > 0 && (
            <Button className="flex-1" disabled={copy === ''} onClick={() => place(true)}>
              Beside it
            </Button>
          )}
        </div>
      </div>
    </section>
  )
}
