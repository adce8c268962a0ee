import {
  CALLS,
  type CopyLog,
  type CopyState,
  type CopyWhole,
  filesShown,
  isOnLayer,
  type Person,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { useStore } from 'zustand'
import { ask, Problem } from '../api/ask.ts'
import { live } from '../api/live.ts'
import { queries, refresh } from '../api/queries.ts'
import { keepOffline } from '../offline/offline.ts'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { useCopy } from '../page/copy/useCopy.ts'
import { KeptSign } from '../page/device/KeptSign.tsx'
import type { Outbox } from '../page/device/outbox.ts'
import { outboxOf } from '../page/device/personOutbox.ts'
import { PAPER_WORKER } from '../page/paper/papers.ts'
import { HEARD_WORKER } from '../page/voice/hear.ts'
import { RubricTable } from '../page/work/parts.ts'
import { WorkingPage } from '../page/work/WorkingPage.tsx'
import { warmSignOut } from '../people/SignOutButton.tsx'
import { apiUrl } from '../seat.ts'
import { Button, LinkButton } from '../ui/Button.tsx'
import { useWarm } from '../ui/fetchedPart.tsx'
import { importAgain } from '../ui/importAgain.ts'
import { Fetched, Loading, Trouble } from '../ui/Notice.tsx'
import { CopySteps } from './CopySteps.tsx'
import type * as LessonParts from './InLesson.tsx'
import { Standing } from './Standing.tsx'

/** A student's copy: the page one writes on. */
export function Copy({ person }: { person: Person }) {
  const { copy: id = '' } = useParams()
  const whole = useQuery({ ...queries.copy(id), staleTime: Number.POSITIVE_INFINITY })
  const store = useCopy(whole.data, person, 'work')
  useComesBack(whole.isError, whole.refetch)
  return (
    <Fetched of={whole}>
      {(copy) => (store ? <OpenCopy key={copy.id} copy={copy} store={store} person={person} /> : <Loading />)}
    </Fetched>
  )
}

function OpenCopy({ copy, store, person }: { copy: CopyWhole; store: CopyStore; person: Person }) {
  const { state, round, goFor, trouble, log } = useStore(store.view)
  const outbox = outboxOf(person.id)
  const bytesOf = useCallback((name: string) => outbox.bytesOf(name), [outbox])
  useOpening(copy, store)
  const parts = useInLesson()
  const [rests, setRests] = useState(false)
  const [writesAtFront, setWrites] = useState(false)
  useRelease(outbox, rests)
  const [hidesHelp, setHidesHelp] = useState(false)
  const isHelped = (page: string) => isOnLayer(log, page, 'help')
  useWarm(warmSignOut)
  useEffect(() => {
    const files = filesShown(copy.pages).map((file) => `/files/${file}`)
    keepOffline([PAPER_WORKER, HEARD_WORKER, ...['/me', '/tray', `/copies/${copy.id}`, ...files].map(apiUrl)])
  }, [copy.id, copy.pages])

  if (trouble) return <NotHereNow why={trouble} outbox={outbox} copy={copy.id} />
  return (
    <div className="flex h-full flex-col">
      <WorkingPage
        {...{ copy, store, person, bytesOf, hidesHelp, rests, writesAtFront }}
        over={
          parts &&
          ((page, view, pages, turnTo) => (
            <parts.PointedOut {...{ copy, person, pages, page, view }} onTurn={turnTo} />
          ))
        }
      >
        {(index, pages, turnTo) => (
          <>
            <header className="flex shrink-0 items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-phone:flex-wrap max-phone:px-3">
              <LinkButton to="/" large>
                My tray
              </LinkButton>
              <h1 className="min-w-0 truncate text-xl">{copy.title}</h1>
              <span className="whitespace-nowrap text-ink-soft max-handheld:hidden">
                page {index + 1} of {pages.length}
              </span>
              {copy.way !== 'own' && <SharedWith copy={copy} person={person} page={pages[index]!.id} />}
              <span className="flex-1" />
              {parts && (
                <parts.InLesson
                  {...{ copy, state, store, pages, page: pages[index]!.id }}
                  hidesHelp={isHelped(pages[index]!.id) ? hidesHelp : undefined}
                  onHideHelp={setHidesHelp}
                  onLookHere={turnTo}
                  onRests={setRests}
                  onWrites={setWrites}
                />
              )}
              <LookedFor copy={copy} state={state} round={round} log={log} />
              <KeptSign outbox={outbox} copy={copy.id} />
              <CopySteps
                copy={copy}
                store={store}
                state={state}
                outbox={outbox}
                pages={pages}
                onTurn={turnTo}
              />
            </header>
            <Standing state={state} round={round} goFor={goFor} copy={copy} log={log} />
            {parts && (
              <parts.Said {...{ copy, person, pages, rests, page: pages[index]!.id }} onTurn={turnTo} />
            )}
          </>
        )}
      </WorkingPage>
    </div>
  )
}

/** It needs school anyway: fetched after what one writes with, and where that fails nobody misses it. */
function useInLesson() {
  const [part, setPart] = useState<typeof LessonParts>()
  useEffect(() => {
    importAgain(() => import('./InLesson.tsx')).then(
      (parts) => setPart(parts),
      () => {},
    )
  }, [])
  return part
}

/** What school did not take while pens were down is taken once they are up. */
function useRelease(outbox: Outbox, rests: boolean): void {
  useEffect(() => (rests ? () => outbox.release() : undefined), [outbox, rests])
}

/** What was not to be had opens by itself when something in the tray changes: a teacher has brought it back. */
function useComesBack(isAway: boolean, again: () => unknown): void {
  useEffect(() => {
    if (!isAway) return
    const changed = () => void again()
    live().on('tray', changed)
    return () => void live().off('tray', changed)
  }, [isAway, again])
}

/** The copy cannot be had just now. What was written on it meanwhile is here, and says so. */
function NotHereNow({ why, outbox, copy }: { why: string; outbox: Outbox; copy: string }) {
  const { going, held } = useStore(outbox.state)
  const waiting = (going.get(copy) ?? 0) + (held.get(copy) ?? 0) > 0
  return (
    <>
      <Trouble error={new Problem(why, 404)} />
      {waiting && (
        <div className="mt-4 flex justify-center">
          <KeptSign outbox={outbox} copy={copy} />
        </div>
      )}
    </>
  )
}

/** The rubric, where there is one. */
function LookedFor({ copy, ...now }: { copy: CopyWhole; state: CopyState; round: number; log: CopyLog }) {
  const [open, setOpen] = useState(false)
  if (!copy.rubric) return null
  return (
    <>
      <Button large onClick={() => setOpen(true)}>
        Rubric
      </Button>
      {open && <RubricTable rubric={copy.rubric} {...now} onClose={() => setOpen(false)} />}
    </>
  )
}

/** With whom a copy is shared, and whose the page is. */
function SharedWith({ copy, person, page }: { copy: CopyWhole; person: Person; page: string }) {
  if (copy.way === 'read') return <span className="font-semibold text-slate">to read</span>
  const others = copy.students.filter(({ id }) => id !== person.id)
  const owners = copy.owners[page] ?? []
  const names = copy.students.filter(({ id }) => owners.includes(id)).map(({ name }) => name)
  return (
    <span className="min-w-0 truncate text-slate" title={others.map(({ name }) => name).join(', ')}>
      {owners.length === 0
        ? `${copy.name}: with ${others.length > 2 ? `${others.length} others` : others.map(({ name }) => name).join(' and ')}`
        : owners.includes(person.id)
          ? 'your page'
          : `this is the page of ${names.join(' and ')}`}
    </span>
  )
}

/** Opening a waiting copy is what makes it a working one; a copy is new to each until they open it. */
function useOpening({ id, state: before }: CopyWhole, store: CopyStore): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once, when the copy is opened
  useEffect(() => {
    ask(CALLS.open, { copy: id }).then(
      (standing) => {
        if (before === 'waiting') store.stand(standing)
        void refresh(CALLS.tray)
      },
      // Out of reach: it counts as opened when the next visit gets through.
      () => {},
    )
  }, [id, store])
}
