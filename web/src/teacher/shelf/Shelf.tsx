import type { WorksheetCard } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { queries } from '../../api/queries.ts'
import { PaperThumb } from '../../page/paper/PaperThumb.tsx'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Answer, Empty } from '../../ui/Notice.tsx'
import { useBringIn } from './BringIn.tsx'

/** Where a teacher's worksheets stand. */
export function Shelf() {
  const worksheets = useQuery(queries.worksheets())
  const { choose } = useBringIn()
  const [wanted, setWanted] = useState('')
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-4 border-b border-rule pb-4">
        <h1 className="flex-1 text-[28px]">Shelf</h1>
        <input
          type="search"
          aria-label="Find a worksheet"
          placeholder="Find a worksheet"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className={`${INPUT} !w-56`}
        />
        <Button look="main" onClick={() => choose()}>
          Bring in a worksheet
        </Button>
      </div>
      <Answer of={worksheets}>{(list) => <Standing worksheets={list} wanted={wanted} />}</Answer>
    </>
  )
}

function Standing({ worksheets, wanted }: { worksheets: readonly WorksheetCard[]; wanted: string }) {
  if (worksheets.length === 0)
    return (
      <Empty title="The shelf is empty">
        Drop a PDF or a picture anywhere here. Its pages become a worksheet at their true size.
      </Empty>
    )
  const found = worksheets.filter(({ title }) => title.toLowerCase().includes(wanted.trim().toLowerCase()))
  if (found.length === 0)
    return <Empty title="Nothing by that name">Try a shorter word from its title.</Empty>
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-8 gap-y-9">
      {found.map(({ id, title, firstPage, pageCount, timesHandedOut }) => (
        <li key={id}>
          <Link to={`/worksheet/${id}`} className="flex h-full flex-col text-ink no-underline">
            <span className="flex h-[236px] items-end border-b-2 border-rule pb-0">
              {firstPage && (
                <PaperThumb
                  page={firstPage}
                  width={firstPage.width > firstPage.height ? 186 : 164}
                  label={`First page of ${title}`}
                />
              )}
            </span>
            <b className="mt-2.5 font-serif text-[17px] leading-tight">{title}</b>
            <span className="text-ink-soft">
              {pageCount} {pageCount === 1 ? 'page' : 'pages'} ·{' '}
              {timesHandedOut === 0
                ? 'not handed out'
                : timesHandedOut === 1
                  ? 'handed out once'
                  : `handed out ${timesHandedOut} times`}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
