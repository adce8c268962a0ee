import { CALLS, type WorksheetCard } from '@hand-back/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { ask, urlOf } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { PrintDialog } from '../../page/print/PrintDialog.tsx'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { MoreMenu } from '../../ui/MoreMenu.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { BoardForClass } from '../board/BoardForClass.tsx'
import { FirstPage } from './FirstPage.tsx'

/** Runs a change of the shelf and shows it. */
async function act(doing: () => Promise<unknown>): Promise<boolean> {
  try {
    await doing()
    await refresh(CALLS.worksheets)
    return true
  } catch (error) {
    sayProblem(error)
    return false
  }
}

/** A worksheet on the shelf: its first page, and what can be done with the whole of it. */
export function ShelfCard({ worksheet, units }: { worksheet: WorksheetCard; units: readonly string[] }) {
  const { id, title, pageCount, timesHandedOut, archived } = worksheet
  const [filing, setFiling] = useState(false)
  const [printing, setPrinting] = useState(false)
  const [atFront, setAtFront] = useState(false)
  const away = () => ask(CALLS.archiveWorksheet, { worksheet: id })
  const back = () => ask(CALLS.bringBackWorksheet, { worksheet: id })
  const putAway = async () => {
    if (await act(away)) sayDone(`${title} is put away.`, () => void act(back))
  }
  const again = () => act(() => ask(CALLS.duplicateWorksheet, { worksheet: id }))
  const picture = (
    <>
      <span className="flex h-[212px] items-end border-b-2 border-rule">
        <FirstPage worksheet={worksheet} />
      </span>
      <b className="mt-2.5 font-serif text-lg leading-tight">{title}</b>
      <span className="text-ink-soft">
        {pageCount} {pageCount === 1 ? 'page' : 'pages'} · {sayTimes(timesHandedOut)}
      </span>
    </>
  )
  return (
    <li className="flex flex-col">
      {archived ? (
        <span className="flex flex-1 flex-col opacity-80">{picture}</span>
      ) : (
        <Link to={`/worksheet/${id}`} className="flex flex-1 flex-col text-ink no-underline">
          {picture}
        </Link>
      )}
      <span className="mt-1 -ml-2 flex items-center">
        {archived ? (
          <Button
            look="quiet"
            aria-label={`Bring ${title} back`}
            onClick={() => void act(back)}
            className="!px-2"
          >
            Bring back
          </Button>
        ) : (
          <>
            <Link
              to={`/worksheet/${id}/hand-out`}
              aria-label={`Hand out ${title}`}
              className="rounded-tag px-2 py-1.5 font-semibold whitespace-nowrap text-verdigris no-underline hover:bg-card"
            >
              Hand out
            </Link>
            <span className="flex-1" />
            <MoreMenu
              label={`More with ${title}`}
              acts={[
                { words: 'At the front …', act: () => setAtFront(true) },
                { words: 'Print', act: () => setPrinting(true) },
                { words: 'Duplicate', act: () => void again() },
                { words: 'Its unit …', act: () => setFiling(true) },
                { words: 'Put away', act: () => void putAway() },
              ]}
            />
          </>
        )}
      </span>
      {printing && (
        <PrintDialog
          title={`${title}, for paper`}
          address={urlOf(CALLS.worksheetPdf, { worksheet: id })}
          head="Lines for name and class at the head of each page"
          onClose={() => setPrinting(false)}
        />
      )}
      {atFront && <BoardForClass worksheet={id} onClose={() => setAtFront(false)} />}
      {filing && <UnitDialog worksheet={worksheet} units={units} onClose={() => setFiling(false)} />}
    </li>
  )
}

function sayTimes(times: number): string {
  if (times === 0) return 'not handed out'
  return times === 1 ? 'handed out once' : `handed out ${times} times`
}

function UnitDialog({
  worksheet,
  units,
  onClose,
}: {
  worksheet: WorksheetCard
  units: readonly string[]
  onClose: () => void
}) {
  const [unit, setUnit] = useState(worksheet.unit)
  const file = async () => {
    if (await act(() => ask(CALLS.renameWorksheet, { worksheet: worksheet.id }, { unit }))) onClose()
  }
  return (
    <Dialog open onClose={onClose} title={`In which unit does ${worksheet.title} stand?`}>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void file()
        }}
      >
        <input
          aria-label="Unit"
          list="units"
          maxLength={80}
          value={unit}
          onChange={(event) => setUnit(event.target.value)}
          className={INPUT}
        />
        <datalist id="units">
          {units.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Button type="submit" look="main">
          Put it there
        </Button>
      </form>
      <p className="mt-3 text-ink-soft">Left empty, it stands in no unit.</p>
    </Dialog>
  )
}
