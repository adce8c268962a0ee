import {
  CALLS,
  type CameBack,
  type CopyState,
  filesShown,
  type Person,
  sayMarks,
  type TrayEntry,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { urlOf } from '../api/ask.ts'
import { queries } from '../api/queries.ts'
import { keepOffline } from '../offline/offline.ts'
import { PaperThumb } from '../page/pages/PaperThumb.tsx'
import { PAPER_WORKER } from '../page/paper/papers.ts'
import { useRecordingsLeft } from '../page/voice/useRecordingsLeft.ts'
import { SignOutButton } from '../people/SignOutButton.tsx'
import { Button } from '../ui/Button.tsx'
import { Corner } from '../ui/Corner.tsx'
import { Emblem } from '../ui/Emblem.tsx'
import { fetchedPart } from '../ui/fetchedPart.tsx'
import { Empty, Fetched } from '../ui/Notice.tsx'
import { count, sayDue } from '../ui/when.ts'
import { MailButton } from './MailButton.tsx'
import { inTray, isChanged, isInHand } from './trayOrder.ts'

const TakeHome = fetchedPart('TakeHome', () => import('../parcels/TakeHome.tsx'))

/** Where a student begins: what to do, what came back. */
export function Tray({ person }: { person: Person }) {
  // What opens at a time comes by itself.
  const tray = useQuery({ ...queries.tray(), refetchInterval: 60_000 })
  const entries = tray.data
  const [takingHome, setTakingHome] = useState(false)
  const spoken = useRecordingsLeft(person.id)
  // The small pages are there too when school is out of reach.
  useEffect(() => {
    const files = filesShown((entries ?? []).map(({ firstPage }) => firstPage))
    keepOffline([PAPER_WORKER, ...files.map((file) => urlOf(CALLS.file, { file }))])
  }, [entries])
  return (
    <div className="flex h-full flex-col">
      <header className="flex items-center gap-3 border-b border-rule bg-card px-6 py-2 max-phone:px-4">
        <Emblem />
        <b className="truncate font-serif text-lg">{person.name}</b>
        <span className="flex-1" />
        <Button look="quiet" large onClick={() => setTakingHome(true)}>
          Take home
        </Button>
        {takingHome && <TakeHome onClose={() => setTakingHome(false)} />}
        <MailButton person={person} />
        <SignOutButton large spoken={spoken.size} />
      </header>
      <main className="mx-auto w-full max-w-[1000px] flex-1 overflow-y-auto px-6 py-7 max-phone:px-4">
        <Fetched of={tray}>{(entries) => <Entries entries={entries} spoken={spoken} />}</Fetched>
      </main>
    </div>
  )
}

/** `spoken`: the copies on which a recording waits on this device. */
function Entries({ entries, spoken }: { entries: readonly TrayEntry[]; spoken: ReadonlySet<string> }) {
  if (entries.length === 0)
    return <Empty title="Your tray is empty">When your teacher hands something out, it lies here.</Empty>
  const groups = inTray(entries)
  return groups.map(
    (group) =>
      group.entries.length > 0 && (
        <section key={group.title} className="mb-9">
          <h2 className="mb-4 border-b border-rule pb-2 text-2xl">{group.title}</h2>
          <ul className="grid gap-4 phone:grid-cols-2">
            {group.entries.map((entry) => (
              <Entry key={entry.copy} entry={entry} isSpoken={spoken.has(entry.copy)} />
            ))}
          </ul>
        </section>
      ),
  )
}

const NEXT: Record<CopyState, string> = {
  waiting: 'Start',
  working: 'Go on',
  'another go': 'Have another go',
  'handed back': 'Read what came back',
  'handed in': 'Look at it',
}

/** What came back, before one opens it. */
function WhatCameBack({ back: { pages, given, full } }: { back: CameBack }) {
  return (
    <span className="text-madder">
      feedback on {count(pages, 'page', 'pages')}
      {full > 0 && (
        <>
          {' · '}
          <b className="font-serif whitespace-nowrap">
            {sayMarks(given)} of {sayMarks(full)} marks
          </b>
        </>
      )}
    </span>
  )
}

function Entry({ entry, isSpoken }: { entry: TrayEntry; isSpoken: boolean }) {
  const due = isInHand(entry) ? sayDue(entry.dueAt) : undefined
  const late = entry.handedInAt !== null && entry.dueAt !== null && entry.handedInAt > entry.dueAt
  return (
    <li>
      <Link
        to={`/copy/${entry.copy}`}
        className="flex h-full gap-4 rounded-md border border-rule bg-card p-4 text-ink no-underline hover:border-ink-soft"
      >
        <PaperThumb page={entry.firstPage} width={92} label={`First page of ${entry.title}`} />
        <span className="flex min-w-0 flex-1 flex-col gap-1">
          <b className="font-serif text-name leading-tight">{entry.title}</b>
          <span className="text-ink-soft">
            {entry.pageCount} {entry.pageCount === 1 ? 'page' : 'pages'}
            {entry.sharedName !== null && entry.way !== 'read' && ` · together: ${entry.sharedName}`}
            {entry.state === 'handed in' && late && ' · late'}
          </span>
          {entry.back && entry.state !== 'handed in' && <WhatCameBack back={entry.back} />}
          {entry.isNew && <span className="font-semibold text-verdigris">new</span>}
          {isChanged(entry) && <span className="font-semibold text-ochre">pages have changed</span>}
          {isSpoken && isInHand(entry) && (
            <span className="font-semibold text-ochre">a recording is not kept yet</span>
          )}
          {due && (
            <span
              className={due.startsWith('was') ? 'font-semibold text-madder' : 'font-semibold text-ochre'}
            >
              {due}
            </span>
          )}
          <span className="mt-auto inline-flex items-center gap-2 pt-2 font-semibold">
            <Corner state={entry.state} size={22} />
            {entry.way === 'read' ? 'Read' : NEXT[entry.state]}
          </span>
        </span>
      </Link>
    </li>
  )
}
