import { CALLS, STARTERS, type WorksheetCard, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { asked } from '../asked.ts'
import { BeginOnPaper } from './BeginOnPaper.tsx'
import { useBringIn } from './BringIn.tsx'
import { byUnit, type Order, sorted } from './order.ts'
import { ShelfCard } from './ShelfCard.tsx'

/** Where a teacher's worksheets stand, by unit. */
export function Shelf() {
  const [archived, setArchived] = useState(false)
  const worksheets = useQuery(asked.worksheets(archived))
  const { choose } = useBringIn()
  const make = useMake()
  const [wanted, setWanted] = useState('')
  const [order, setOrder] = useState<Order>('latest')
  const [beginning, setBeginning] = useState(false)
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-3 border-b border-rule pb-4 max-tablet:gap-2">
        <h1 className="flex-1 text-head">{archived ? 'Put away' : 'Shelf'}</h1>
        <input
          type="search"
          aria-label="Find a worksheet"
          placeholder="Find a worksheet"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className={`${INPUT} !w-52 max-tablet:!w-32`}
        />
        <select
          aria-label="Order"
          value={order}
          onChange={(event) => setOrder(event.target.value as Order)}
          className={`${INPUT} !w-44 max-tablet:!w-32`}
        >
          <option value="latest">latest first</option>
          <option value="title">by title</option>
          <option value="used">most handed out</option>
        </select>
        <Button look="quiet" onClick={() => setArchived(!archived)}>
          {archived ? 'Back to the shelf' : 'Put away'}
        </Button>
        <Button onClick={() => setBeginning(true)}>Begin on paper</Button>
        <Button look="main" onClick={() => choose()}>
          Bring in a worksheet
        </Button>
      </div>
      <Fetched of={worksheets}>
        {(list) => <Standing worksheets={list} wanted={wanted} order={order} archived={archived} />}
      </Fetched>
      {!archived && wanted === '' && <Starters />}
      {beginning && <BeginOnPaper onMake={make} onClose={() => setBeginning(false)} />}
    </>
  )
}

interface StandingProps {
  worksheets: readonly WorksheetCard[]
  wanted: string
  order: Order
  archived: boolean
}

function Standing({ worksheets, wanted, order, archived }: StandingProps) {
  if (worksheets.length === 0)
    return archived ? (
      <Empty title="Nothing is put away">
        What you put away from the shelf stands here, and can come back.
      </Empty>
    ) : (
      <Empty title="The shelf is empty">
        Drop a PDF or a picture anywhere here: its pages become a worksheet at their true size. Or begin on
        paper, or from one of those below.
      </Empty>
    )
  const sought = wanted.trim().toLowerCase()
  const found = worksheets.filter(
    ({ title, unit }) => title.toLowerCase().includes(sought) || unit.toLowerCase().includes(sought),
  )
  if (found.length === 0)
    return <Empty title="Nothing by that name">Try a shorter word from its title or its unit.</Empty>
  const units = [...new Set(worksheets.map(({ unit }) => unit).filter(Boolean))]
  return byUnit(sorted(found, order), order).map(({ unit, worksheets: standing }) => (
    <section key={unit} className="mb-9">
      <h2 className="mb-4 border-b-2 border-rule pb-1 text-xl">{unit || 'In no unit yet'}</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-8 gap-y-8">
        {standing.map((worksheet) => (
          <ShelfCard key={worksheet.id} worksheet={worksheet} units={units} />
        ))}
      </ul>
    </section>
  ))
}

/** Makes a worksheet of a sheet and opens it. */
export function useMake() {
  const navigate = useNavigate()
  return async (title: string, sheet: WorksheetWhole['sheet'], unit = '') => {
    try {
      const made = await ask(
        CALLS.makeWorksheet,
        {},
        {
          title,
          unit,
          sheet,
        },
      )
      void refresh(CALLS.worksheets)
      await navigate(`/worksheet/${made.id}`)
    } catch (error) {
      sayProblem(error)
    }
  }
}

const SHOWN = STARTERS.map((starter) => ({
  ...starter,
  first: starter.sheet(() => crypto.randomUUID()).pages[0]!,
}))

function Starters() {
  const make = useMake()
  return (
    <section className="mt-12">
      <h2 className="mb-4 border-b-2 border-rule pb-1 text-xl">To begin from</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-8 gap-y-6">
        {SHOWN.map(({ title, about, first, sheet }) => (
          <li key={title}>
            <button
              type="button"
              onClick={() =>
                void make(
                  title,
                  sheet(() => crypto.randomUUID()),
                )
              }
              className="flex h-full w-full flex-col text-left hover:[&_b]:underline"
            >
              <PaperThumb page={first} width={120} label={`First page of ${title}`} />
              <b className="mt-2 font-serif">{title}</b>
              <span className="text-ink-soft">{about}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
