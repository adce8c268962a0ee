import {
  type CopyWhole,
  mayWriteOn,
  type Person,
  type Placed,
  type Printed,
  photoBox,
  type WorksheetPage,
  worksOn,
} from '@hand-back/core'
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { apiUrl } from '../seat.ts'
import { type AnswerActs, AnswerPlaces } from './answers/AnswerPlaces.tsx'
import { Cards } from './answers/Cards.tsx'
import { PrintedWords } from './answers/PrintedWords.tsx'
import { useAnswersOf, useReadMarks, useWorkMarks } from './answers/useMarks.ts'
import type { CopyStore } from './copyStore.ts'
import { measure } from './draw/letters.ts'
import { PageStrip } from './PageStrip.tsx'
import { PageSurface } from './PageSurface.tsx'
import { PageTabs } from './PageTabs.tsx'
import type { Surface } from './Surface.ts'
import { STUDENT_SWATCHES } from './swatches.ts'
import { usePlace } from './usePlace.ts'
import { usePageKeys, useSeen, useTools, useWriting } from './useWriting.ts'
import type { Recorded } from './voice/recorder.ts'
import { SpeakButton } from './voice/SpeakButton.tsx'
import { VoiceNotes } from './voice/VoiceNotes.tsx'

interface WorkingPageProps {
  copy: CopyWhole
  store: CopyStore
  person: Person
  /** What is recorded or photographed and has not left this device. */
  bytesOf: (recording: string) => Blob | undefined
  /** What stands over the page, told which page it is. */
  children: (page: number) => ReactNode
}

const everything = () => true

/** A copy as its student works on it: the page, what is printed on it, answers, ink, voice, and the strip of tools. */
export function WorkingPage({ copy, store, person, bytesOf, children }: WorkingPageProps) {
  const { state, history, ready } = useStore(store.view)
  const { index, turnTo } = usePlace(copy.id, copy.pages.length)
  const tools = useTools(person, STUDENT_SWATCHES)
  const [surface, setSurface] = useState<Surface>()
  const page = copy.pages[index]!
  const seen = useSeen(store, page.id, everything)
  const { touchAll } = copy
  const mine = useCallback(
    (placed: Placed) => placed.layer === 'work' && (touchAll || placed.author === person.id),
    [person.id, touchAll],
  )
  const writes = worksOn(state) && copy.way !== 'read' && mayWriteOn(person.id, page.id, copy.owners)
  const writing = useWriting(store, page.id, seen.placed, tools, writes ? mine : undefined)
  const answered = useAnswersOf(seen.items)
  const working = useWorkMarks(page, answered)
  const reading = useReadMarks(copy, page, answered)
  const photoUrl = usePhotos(copy.id, bytesOf)

  const turnToPage = useCallback(
    (id: string | undefined) => {
      const at = copy.pages.findIndex((each) => each.id === id)
      if (at >= 0) turnTo(at)
    },
    [copy.pages, turnTo],
  )
  const undo = useCallback(() => writes && turnToPage(store.undo()), [store, turnToPage, writes])
  const redo = useCallback(() => writes && turnToPage(store.redo()), [store, turnToPage, writes])
  const turn = useCallback((by: number) => turnTo(index + by), [turnTo, index])
  usePageKeys({ surface, tools, undo, redo, turn })

  const addVoice = ({ bytes, seconds }: Recorded, at: { x: number; y: number }) => {
    const recording = crypto.randomUUID()
    const note = { id: crypto.randomUUID(), kind: 'voice', ...at, recording, seconds } as const
    store.add(page.id, [note], { recording, bytes })
  }
  const acts: AnswerActs = {
    answer: (place, value) => store.answer(page.id, place, value),
    speak: (place, recorded) => addVoice(recorded, noteIn(place)),
    photo: (place, { bytes, width, height }) => {
      const recording = crypto.randomUUID()
      const box = photoBox(place, width / height, measure)
      const before = answered.filter((item) => item.kind === 'photo' && item.place === place.id)
      store.take(
        page.id,
        before.map(({ id }) => id),
      )
      const photo = { id: crypto.randomUUID(), kind: 'photo', place: place.id, recording, ...box } as const
      store.add(page.id, [photo], { recording, bytes })
    },
    turnTo: turnToPage,
  }

  return (
    <>
      {children(index)}
      <main className="relative flex min-h-0 flex-1" aria-busy={!ready}>
        <PrintedWords page={page} />
        <PageSurface
          page={page}
          marks={writes ? working : reading}
          strokes={seen.strokes}
          photoUrl={photoUrl}
          writing={writing}
          onSurface={setSurface}
          label={`Page ${index + 1} of ${copy.title}`}
        >
          {(view) => (
            <>
              <AnswerPlaces page={page} items={answered} view={view} acts={acts} open={writes} />
              {writes && (
                <Cards
                  page={page}
                  items={answered}
                  copy={copy.id}
                  view={view}
                  onPut={(id, card, to) => store.putCard(page.id, id, card, to)}
                  onTake={(id) => store.take(page.id, [id])}
                />
              )}
              <VoiceNotes
                copy={copy.id}
                view={view}
                notes={seen.notes.map(({ note, author }) => ({
                  note,
                  mine: writes && (touchAll || author === person.id),
                }))}
                soundOf={bytesOf}
                onMove={(note, to) => store.move(page.id, note.id, { x: note.x, y: note.y }, to)}
                onTake={(note) => store.take(page.id, [note.id])}
              />
            </>
          )}
        </PageSurface>
        <PageTabs
          count={copy.pages.length}
          current={index}
          onTurn={turnTo}
          noted={notedPages(copy, person.id, index)}
        />
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
          <SpeakButton
            onRecorded={(recorded) => addVoice(recorded, placeFor(surface, seen.notes.length, page))}
          />
        </PageStrip>
      )}
    </>
  )
}

/** What is to be known of pages: which are one's own in a shared copy, which are new or have changed. */
function notedPages(copy: CopyWhole, person: string, seen: number): ReadonlyMap<number, string> {
  const notes = new Map<number, string>()
  for (const [index, { id }] of copy.pages.entries()) {
    const change = copy.changes.find(({ page }) => page === id)
    if (copy.owners[id]?.includes(person)) notes.set(index, 'yours')
    else if (change && index !== seen) notes.set(index, change.what)
  }
  return notes
}

/** Where photos are to be had: from this device until they are at school. */
function usePhotos(copy: string, bytesOf: (recording: string) => Blob | undefined) {
  const urls = useMemo(() => new Map<string, string>(), [])
  useEffect(
    () => () => {
      for (const url of urls.values()) URL.revokeObjectURL(url)
    },
    [urls],
  )
  return useCallback(
    (recording: string) => {
      let url = urls.get(recording)
      if (url) return url
      const here = bytesOf(recording)
      if (!here) return apiUrl(`/copies/${copy}/recordings/${recording}`)
      url = URL.createObjectURL(here)
      urls.set(recording, url)
      return url
    },
    [copy, bytesOf, urls],
  )
}

/** A note spoken into a place lies at its left, under the label. */
function noteIn(place: Printed<'speak'>): { x: number; y: number } {
  return { x: place.x + 6, y: place.y + Math.min(14, place.height / 3) }
}

/** Near the top left of what is in sight, each new note a little lower. */
function placeFor(
  surface: Surface | undefined,
  notes: number,
  page: WorksheetPage,
): { x: number; y: number } {
  const view = surface?.view ?? { scale: 1, x: 0, y: 0 }
  const x = Math.max(0, -view.x / view.scale) + 24
  const y = Math.max(0, -view.y / view.scale) + 24 + (notes % 8) * 44
  return { x: Math.min(x, page.width - 60), y: Math.min(y, page.height - 40) }
}
