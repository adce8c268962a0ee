import { type HandoutPlan, nameOf, type PlannedCopy, printedFor, type Sheet } from '@hand-back/core'
import { useState } from 'react'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { RowButton } from '../../ui/RowButton.tsx'

/** What will happen in one class, in plain words, with every copy to be looked at. */
export function WhatHappens({
  plan,
  sheet,
  className,
}: {
  plan: HandoutPlan | string
  sheet: Sheet
  className: string
}) {
  const [looking, setLooking] = useState<PlannedCopy>()
  if (typeof plan === 'string') return <p className="text-ochre">{plan}</p>
  const { copies, leftOut } = plan
  return (
    <div className="flex flex-col gap-2">
      <p>{inWords(plan, className)}</p>
      {leftOut.length > 0 && (
        <p>
          <b>Left out:</b> {leftOut.map(({ name }) => name).join(', ')}
        </p>
      )}
      <ul aria-label="Who gets what" className="max-h-[280px] overflow-y-auto border-y border-rule">
        {copies.map((copy) => (
          <li key={copy.students.map(({ id }) => id).join()}>
            <RowButton
              onClick={() => setLooking(copy)}
              aria-label={`Look at the copy of ${nameOf(copy)}: ${pagesInWords(copy, sheet)}`}
              className="min-h-[34px] items-baseline gap-3 border-b border-rule px-1 py-1 last:border-b-0"
            >
              <span className="min-w-0 flex-1 truncate">{nameOf(copy)}</span>
              <span className="shrink-0 text-ink-soft">{pagesInWords(copy, sheet)}</span>
            </RowButton>
          </li>
        ))}
      </ul>
      <Dialog
        open={looking !== undefined}
        onClose={() => setLooking(undefined)}
        title={looking ? `The copy of ${nameOf(looking)}` : ''}
        wide
      >
        {looking && <CopyLook copy={looking} sheet={sheet} />}
      </Dialog>
    </div>
  )
}

function inWords({ copies }: HandoutPlan, className: string): string {
  const [first] = copies
  if (first?.name == null)
    return copies.length === 1
      ? `One student of ${className} gets a copy.`
      : `${copies.length} students of ${className} get a copy each.`
  const people = copies.reduce((sum, { students }) => sum + students.length, 0)
  return copies.length === 1
    ? `One copy for ${people} of ${className}.`
    : `${copies.length} copies, one for each group: ${people} students of ${className}.`
}

/** The pages and the set of a copy, such as “pages 1, 3 · Shore”. */
export function pagesInWords({ pages, set }: PlannedCopy, sheet: Sheet): string {
  const numbers = pages.map((id) => sheet.pages.findIndex((page) => page.id === id) + 1)
  const called = sheet.sets.find(({ id }) => id === set)?.name
  const words =
    numbers.length === sheet.pages.length
      ? numbers.length === 1
        ? 'the page'
        : `all ${numbers.length} pages`
      : `${numbers.length === 1 ? 'page' : 'pages'} ${numbers.join(', ')}`
  return called ? `${words} · ${called}` : words
}

function CopyLook({ copy, sheet }: { copy: PlannedCopy; sheet: Sheet }) {
  const pages = sheet.pages.filter(({ id }) => copy.pages.includes(id))
  return (
    <>
      {copy.name !== null && (
        <p className="mb-3 text-ink-soft">{copy.students.map(({ name }) => name).join(', ')}</p>
      )}
      <ul className="flex max-h-[62vh] flex-wrap gap-4 overflow-y-auto p-1">
        {pages.map((page, index) => (
          <li key={page.id}>
            <PaperThumb
              page={{ ...page, printed: printedFor(page.printed, copy.set) }}
              width={250}
              label={`Page ${index + 1}`}
            />
          </li>
        ))}
      </ul>
    </>
  )
}
