import { type CopyWhole, isForSet, type Person, printedFor, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { useParams } from 'react-router'
import { CopyStore } from '../../page/copy/copyStore.ts'
import { tracelessOutbox, tracelessSocket } from '../../page/device/traceless.ts'
import { WorkingPage } from '../../page/work/WorkingPage.tsx'
import { LinkButton } from '../../ui/Button.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { asked } from '../asked.ts'
import { SMALL_INPUT } from './panels/rows.tsx'

/** The worksheet as a student would get it: everything works, nothing is kept, nobody sees it. */
export function AsStudent({ person }: { person: Person }) {
  const { worksheet: id = '' } = useParams()
  const worksheet = useQuery(asked.worksheet(id))
  return <Fetched of={worksheet}>{(whole) => <Trial worksheet={whole} person={person} />}</Fetched>
}

function Trial({ worksheet, person }: { worksheet: WorksheetWhole; person: Person }) {
  const { sets } = worksheet.sheet
  const [set, setSet] = useState(sets[0]?.id ?? '')
  const copy = useMemo(() => trialCopy(worksheet, person, set), [worksheet, person, set])
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
            {sets.length > 0 && (
              <label className="flex items-center gap-2 whitespace-nowrap">
                As one of
                <select className={SMALL_INPUT} value={set} onChange={(event) => setSet(event.target.value)}>
                  {sets.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <span className="max-tablet:hidden">As a student gets it. Nothing you do here is kept.</span>
          </header>
        )}
      </WorkingPage>
    </div>
  )
}

/** A copy that is nowhere: what is for other sets is left out. */
function trialCopy({ title, sheet }: WorksheetWhole, person: Person, set: string): CopyWhole {
  const wanted = sheet.pages.filter((page) => isForSet(page, set))
  const pages = (wanted.length > 0 ? wanted : sheet.pages).map((page) => ({
    ...page,
    printed: printedFor(page.printed, set),
  }))
  return {
    id: crypto.randomUUID(),
    handout: crypto.randomUUID(),
    title,
    directions: '',
    dueAt: null,
    spoken: null,
    rubric: null,
    goFor: null,
    withoutMarks: [],
    way: 'own',
    name: person.name,
    students: [person],
    teacher: person,
    teachers: [],
    touchAll: false,
    owners: {},
    changes: [],
    state: 'working',
    round: 1,
    pages,
    questions: [],
  }
}
