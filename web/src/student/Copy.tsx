import { type CopyWhole, copyStanding, type Person, type Placed } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { useStore } from 'zustand'
import { ask, Problem } from '../api/ask.ts'
import { queries, queryClient } from '../api/queries.ts'
import type { CopyStore } from '../page/copyStore.ts'
import { outboxOf } from '../page/device/personOutbox.ts'
import { KeptSign } from '../page/KeptSign.tsx'
import { PageStrip } from '../page/PageStrip.tsx'
import { PageSurface } from '../page/PageSurface.tsx'
import { PageTabs } from '../page/PageTabs.tsx'
import type { Surface } from '../page/Surface.ts'
import { STUDENT_SWATCHES } from '../page/swatches.ts'
import { useCopy } from '../page/useCopy.ts'
import { usePlace } from '../page/usePlace.ts'
import { usePageKeys, useSeen, useTools, useWriting } from '../page/useWriting.ts'
import type { Recorded } from '../page/voice/recorder.ts'
import { SpeakButton } from '../page/voice/SpeakButton.tsx'
import { VoiceNotes } from '../page/voice/VoiceNotes.tsx'
import { LinkButton } from '../ui/Button.tsx'
import { Answer, Loading, Trouble } from '../ui/Notice.tsx'
import { CopySteps } from './CopySteps.tsx'
import { Standing } from './Standing.tsx'

/** A student's copy: the page one writes on. */
export function Copy({ person }: { person: Person }) {
  const { copy: id = '' } = useParams()
  const whole = useQuery({ ...queries.copy(id), staleTime: Number.POSITIVE_INFINITY })
  const store = useCopy(whole.data, person, 'work')
  return (
    <Answer of={whole}>
      {(copy) => (store ? <OpenCopy key={copy.id} copy={copy} store={store} person={person} /> : <Loading />)}
    </Answer>
  )
}

const everything = () => true

function OpenCopy({ copy, store, person }: { copy: CopyWhole; store: CopyStore; person: Person }) {
  const { state, history, trouble, ready } = useStore(store.view)
  const { index, turnTo } = usePlace(copy.id, copy.pages.length)
  const tools = useTools(person, STUDENT_SWATCHES)
  const [surface, setSurface] = useState<Surface>()
  const page = copy.pages[index]!
  const seen = useSeen(store, page.id, everything)
  const mine = useCallback(
    (placed: Placed) => placed.author === person.id && placed.layer === 'work',
    [person.id],
  )
  const writes = state === 'working' || state === 'another go' || state === 'waiting'
  const writing = useWriting(store, page.id, seen.placed, tools, writes ? mine : undefined)
  const outbox = outboxOf(person.id)

  useOpening(copy, store)
  const turnToPage = useCallback(
    (id: string | undefined) => id && turnTo(copy.pages.findIndex((page) => page.id === id)),
    [copy.pages, turnTo],
  )
  const undo = useCallback(() => writes && turnToPage(store.undo()), [store, turnToPage, writes])
  const redo = useCallback(() => writes && turnToPage(store.redo()), [store, turnToPage, writes])
  const turn = useCallback((by: number) => turnTo(index + by), [turnTo, index])
  usePageKeys({ surface, tools, undo, redo, turn })

  const speak = ({ bytes, seconds }: Recorded) => {
    const recording = crypto.randomUUID()
    const at = placeFor(surface, seen.notes.length, page)
    store.add(page.id, [{ id: crypto.randomUUID(), kind: 'voice', ...at, recording, seconds }], {
      recording,
      bytes,
    })
  }

  if (trouble) return <Trouble error={new Problem(trouble, 404)} />
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-[560px]:flex-wrap max-[560px]:px-3">
        <LinkButton to="/" large>
          My tray
        </LinkButton>
        <h1 className="min-w-0 truncate text-xl">{copy.title}</h1>
        <span className="whitespace-nowrap text-ink-soft max-[700px]:hidden">
          page {index + 1} of {copy.pages.length}
        </span>
        <span className="flex-1" />
        <KeptSign outbox={outbox} copy={copy.id} />
        <CopySteps copy={copy} store={store} state={state} outbox={outbox} />
      </header>
      <Standing state={state} copy={copy} />
      <main className="relative flex min-h-0 flex-1" aria-busy={!ready}>
        <PageSurface
          page={page}
          strokes={seen.strokes}
          writing={writing}
          onSurface={setSurface}
          label={`Page ${index + 1} of ${copy.title}`}
        >
          {(view) => (
            <VoiceNotes
              copy={copy.id}
              view={view}
              notes={seen.notes.map(({ note, author }) => ({ note, mine: writes && author === person.id }))}
              soundOf={(recording) => outbox.soundOf(recording)}
              onMove={(note, to) => store.move(page.id, note.id, { x: note.x, y: note.y }, to)}
              onTake={(note) => store.take(page.id, [note.id])}
            />
          )}
        </PageSurface>
        <PageTabs count={copy.pages.length} current={index} onTurn={turnTo} />
      </main>
      {writes && (
        <PageStrip
          tools={tools}
          surface={surface}
          canUndo={history.done.length > 0}
          canRedo={history.undone.length > 0}
          onUndo={undo}
          onRedo={redo}
        >
          <SpeakButton onRecorded={speak} />
        </PageStrip>
      )}
    </div>
  )
}

/** Opening a waiting copy is what makes it a working one. */
function useOpening(copy: CopyWhole, store: CopyStore): void {
  useEffect(() => {
    if (copy.state !== 'waiting') return
    ask(copyStanding, 'POST', `/copies/${copy.id}/open`).then(
      ({ state, round }) => {
        store.stand(state, round)
        void queryClient.invalidateQueries({ queryKey: ['tray'] })
      },
      // Out of reach: it counts as opened when the next visit gets through.
      () => {},
    )
  }, [copy, store])
}

/** Near the top left of what is in sight, each new note a little lower. */
function placeFor(
  surface: Surface | undefined,
  notes: number,
  page: { width: number; height: number },
): { x: number; y: number } {
  const view = surface?.view ?? { scale: 1, x: 0, y: 0 }
  const x = Math.max(0, -view.x / view.scale) + 24
  const y = Math.max(0, -view.y / view.scale) + 24 + (notes % 8) * 44
  return { x: Math.min(x, page.width - 60), y: Math.min(y, page.height - 40) }
}
