import type { CopyWhole, Person, WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { useParams } from 'react-router'
import { CopyStore } from '../../page/copy/copyStore.ts'
import { tracelessOutbox, tracelessSocket } from '../../page/device/traceless.ts'
import { WorkingPage } from '../../page/work/WorkingPage.tsx'
import { LinkButton } from '../../ui/Button.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { asked } from '../asked.ts'
import { ownCopy } from './ownCopy.ts'
import { SetChoice } from './SetChoice.tsx'

/** The worksheet as a student would get it: everything works, nothing is kept, nobody sees it. */
export function AsStudent({ person }: { person: Person }) {
  const { worksheet: id = '' } = useParams()
  const worksheet = useQuery(asked.worksheet(id))
  return <Fetched of={worksheet}>{(whole) => <Trial worksheet={whole} person={person} />}</Fetched>
}

function Trial({ worksheet, person }: { worksheet: WorksheetWhole; person: Person }) {
  const { sets } = worksheet.sheet
  const [set, setSet] = useState(sets[0]?.id ?? '')
  const copy = useMemo(() => ownCopy(worksheet, person, set, crypto.randomUUID()), [worksheet, person, set])
  const [open, setOpen] = useState<{
    copy: CopyWhole
    store: CopyStore
    bytesOf: (id: string) => Blob | undefined
  }>()
  useEffect(() => {
    const outbox = tracelessOutbox()
    const store = new CopyStore(copy, person, 'work', outbox, tracelessSocket())
    setOpen({ copy, store, bytesOf: outbox.bytesOf })
    return () => store.close()
  }, [copy, person])
  if (!open) return null
  return (
    <div className="flex h-full flex-col">
      <WorkingPage key={open.copy.id} {...open} person={person} trial>
        {(index, pages) => (
          <header className="flex shrink-0 items-center gap-4 border-b border-rule bg-ochre-soft px-5 py-1.5">
            <LinkButton to={`/worksheet/${worksheet.id}`}>Back to preparing</LinkButton>
            <h1 className="min-w-0 truncate text-xl">{worksheet.title}</h1>
            <span className="whitespace-nowrap text-ink-soft">
              page {index + 1} of {pages.length}
            </span>
            <span className="flex-1" />
            <SetChoice sets={sets} set={set} onChoose={setSet} />
            <span className="max-tablet:hidden">As a student gets it. Nothing you do here is kept.</span>
            <LinkButton to={`/worksheet/${worksheet.id}/worked`}>Your worked copy</LinkButton>
          </header>
        )}
      </WorkingPage>
    </div>
  )
}
