import { CALLS, type KeptEvent, type Person, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { useParams } from 'react-router'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { CopyStore } from '../../page/copy/copyStore.ts'
import { tracelessSocket } from '../../page/device/traceless.ts'
import { WorkingPage } from '../../page/work/WorkingPage.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'
import { ownCopy } from '../preparing/ownCopy.ts'
import { SetChoice } from '../preparing/SetChoice.tsx'
import { WorkedKeeper } from './workedKeeper.ts'

/** The teacher's own worked copy of a worksheet, kept with it: what a right copy looks like, for whoever marks. */
export function WorkedCopy({ person }: { person: Person }) {
  const { worksheet: id = '' } = useParams()
  const worksheet = useQuery(asked.worksheet(id))
  // What is done here is known here first: it is asked for once.
  const worked = useQuery({ ...asked.worked(id), staleTime: Number.POSITIVE_INFINITY, gcTime: 0 })
  return (
    <Fetched of={worksheet}>
      {(whole) => (
        <Fetched of={worked}>
          {(before) => (
            <Working
              key={before.length === 0 ? 'afresh' : 'on'}
              worksheet={whole}
              before={before}
              person={person}
            />
          )}
        </Fetched>
      )}
    </Fetched>
  )
}

interface WorkingProps {
  worksheet: WorksheetWhole
  before: readonly KeptEvent[]
  person: Person
}

const noBytes = () => undefined
const WORDS = {
  kept: 'kept',
  going: 'keeping …',
  here: 'no connection: safe on this device',
  refused: 'not at school: safe on this device',
} as const

function Working({ worksheet, before, person }: WorkingProps) {
  const { id } = worksheet
  const { sets } = worksheet.sheet
  const [set, setSet] = useState(sets[0]?.id ?? '')
  const copy = useMemo(() => ownCopy(worksheet, person, set, id), [worksheet, person, set, id])
  const keeper = useMemo(() => new WorkedKeeper(id, person.id, before), [id, person.id, before])
  const { state } = useStore(keeper.state)
  const [store, setStore] = useState<CopyStore>()
  useEffect(() => {
    const opened = new CopyStore(copy, person, 'work', keeper, tracelessSocket())
    setStore(opened)
    return () => {
      keeper.flush()
      opened.close()
    }
  }, [copy, person, keeper])
  const afresh = useAct(async () => {
    await ask(CALLS.dropWorked, { worksheet: id })
    await refresh(CALLS.worked, { worksheet: id })
  })
  if (!store) return null
  return (
    <div className="flex h-full flex-col">
      <WorkingPage key={set} copy={copy} store={store} person={person} bytesOf={noBytes} trial silent>
        {(index, pages) => (
          <header className="flex shrink-0 items-center gap-4 border-b border-rule bg-ochre-soft px-5 py-1.5 max-tablet:gap-2">
            <LinkButton to={`/worksheet/${id}`}>Back to preparing</LinkButton>
            <h1 className="min-w-0 truncate text-xl">{worksheet.title}</h1>
            <span className="whitespace-nowrap text-ink-soft">
              page {index + 1} of {pages.length}
            </span>
            <span role="status" className="whitespace-nowrap text-ink-soft max-handheld:hidden">
              {WORDS[state]}
            </span>
            <span className="flex-1" />
            <SetChoice sets={sets} set={set} onChoose={setSet} />
            <span className="whitespace-nowrap max-handheld:hidden">
              Your worked copy. No student sees it.
            </span>
            {before.length > 0 && (
              <Button look="quiet" disabled={afresh.busy} onClick={() => void afresh.run()}>
                Begin afresh
              </Button>
            )}
          </header>
        )}
      </WorkingPage>
    </div>
  )
}
