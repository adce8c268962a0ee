import {
  type CopyWhole,
  mayWriteOn,
  type Person,
  type Placed,
  photoBox,
  type Stroke,
  type Thing,
  type WorksheetPage,
  worksOn,
} from '@hand-back/core'
import { lazy, type ReactNode, Suspense, useCallback, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { type AnswerActs, AnswerPlaces } from './answers/AnswerPlaces.tsx'
import { Cards } from './answers/Cards.tsx'
import { PrintedWords } from './answers/PrintedWords.tsx'
import { useAnswersOf, useReadMarks, useWorkMarks } from './answers/useMarks.ts'
import { CloseUp, CloseUpFrame, useCloseUp } from './closeUp/CloseUp.tsx'
import type { CopyStore } from './copyStore.ts'
import { measure } from './draw/letters.ts'
import { useHabits } from './habits/useHabits.ts'
import { PageSurface } from './PageSurface.tsx'
import { PageTabs } from './PageTabs.tsx'
import { PickedBox } from './picking/PickedBox.tsx'
import { usePicking } from './picking/usePicking.ts'
import { formulaThing, rewrittenFormula, useWorkClipboard } from './picking/useWorkClipboard.ts'
import { PagesDialog } from './room/PagesDialog.tsx'
import { usePagesNow } from './room/usePagesNow.ts'
import type { Surface } from './Surface.ts'
import { STUDENT_SWATCHES } from './swatches.ts'
import { TintedPaper } from './TintedPaper.tsx'
import { LETTERS, ontoPage } from './things/kinds.ts'
import { useThings } from './things/useThings.ts'
import { WordsEditor } from './things/WordsEditor.tsx'
import { usePhotos } from './usePhotos.ts'
import { usePlace, useSameLook } from './usePlace.ts'
import { useTools } from './useTools.ts'
import { useWorkKeys } from './useWorkKeys.ts'
import { type Handling, usePageKeys, useSeen, useWriting } from './useWriting.ts'
import type { Recorded } from './voice/recorder.ts'
import { VoiceNotes } from './voice/VoiceNotes.tsx'
import { WorkingStrip } from './WorkingStrip.tsx'
import { notedPages, noteIn, placeFor } from './workingPlaces.ts'

const LookBack = lazy(() => import('./past/LookBack.tsx').then((file) => ({ default: file.LookBack })))
const FormulaDialog = lazy(() => import('./things/FormulaDialog.tsx'))

interface WorkingPageProps {
  copy: CopyWhole
  store: CopyStore
  person: Person
  /** What is recorded or photographed and has not left this device. */
  bytesOf: (recording: string) => Blob | undefined
  /** It is only tried out: there is no past to look back at. */
  trial?: boolean
  /** What stands over the page, told which page it is, all pages, and how to turn to one. */
  children: (index: number, pages: readonly WorksheetPage[], turnTo: (page: string) => void) => ReactNode
}

type Over = { readonly kind: 'pages' | 'past' } | { readonly kind: 'formula'; readonly formula?: Thing }

const everything = () => true
const NONE: ReadonlySet<string> = new Set()

/** A copy as its student works on it: the page, what is printed on it, answers, ink, things, voice, and the strip of tools. */
export function WorkingPage({ copy, store, person, bytesOf, trial = false, children }: WorkingPageProps) {
  const { state, history, ready } = useStore(store.view)
  const pages = usePagesNow(copy, store)
  const place = usePlace(copy.id, pages)
  const { index, turnTo, turnToPage } = place
  const tools = useTools(person, STUDENT_SWATCHES)
  const [{ strip = 'bottom', finger = 'until pen', tint }] = useHabits(person.id)
  const [surface, setSurface] = useState<Surface>()
  const [over, setOver] = useState<Over>()
  const [lifted, setLifted] = useState(false)
  const [large, setLarge] = useState(false)
  const page = pages[index]!
  const seen = useSeen(store, page.id, everything)
  const { touchAll } = copy
  const mine = useCallback(
    (placed: Placed) => placed.layer === 'work' && (touchAll || placed.author === person.id),
    [person.id, touchAll],
  )
  const writes = worksOn(state) && copy.way !== 'read' && mayWriteOn(person.id, page.id, copy.owners)
  const picking = usePicking(store, page.id, seen.placed, writes && tools.tool === 'pick' ? mine : undefined)
  const things = useThings(store, page.id, seen.placed, picking, tools)
  const handling = useMemo<Handling>(
    () => ({ pickUp: picking.pickUp, putDown: (thing) => things.putDown(ontoPage(thing, page)) }),
    [picking, things, page],
  )
  const writing = useWriting(store, page.id, seen.placed, tools, writes ? mine : undefined, handling)
  const middle = useCallback(
    () => surface?.middle() ?? { x: page.width / 2, y: page.height / 3 },
    [surface, page],
  )
  const closeUp = useCloseUp(page, middle)
  const pasting = useWorkClipboard({
    copy,
    store,
    page,
    placed: seen.placed,
    picking,
    things,
    middle,
    bytesOf,
    colour: tools.swatch.colour,
    putting: tools.putting,
  })

  const elsewhere = useMemo(() => {
    const ids = lifted ? picking.items.map(({ id }) => id) : []
    return ids.length === 0 && !things.typing ? NONE : new Set([...ids, things.typing?.id ?? ''])
  }, [lifted, picking.items, things.typing])
  const strokes = useMemo<readonly Stroke[]>(
    () => (elsewhere.size === 0 ? seen.strokes : seen.strokes.filter(({ id }) => !elsewhere.has(id))),
    [seen.strokes, elsewhere],
  )
  const answered = useAnswersOf(seen.items)
  const working = useWorkMarks(page, answered, elsewhere)
  const reading = useReadMarks(copy, page, answered)
  const marks = writes ? working : reading
  const photoUrl = usePhotos(copy.id, bytesOf)
  const onView = useSameLook(place, surface, page.id)

  const goTo = useCallback((id: string | undefined) => id && turnToPage(id), [turnToPage])
  const undo = useCallback(() => writes && goTo(store.undo()), [store, goTo, writes])
  const redo = useCallback(() => writes && goTo(store.redo()), [store, goTo, writes])
  const turn = useCallback((by: number) => turnTo(index + by), [turnTo, index])
  useWorkKeys(picking, tools, writes ? pasting : undefined)
  usePageKeys({ surface, tools, undo, redo, turn })

  const addVoice = ({ bytes, seconds }: Recorded, at: { x: number; y: number }) => {
    const recording = crypto.randomUUID()
    const note = { id: crypto.randomUUID(), kind: 'voice', ...at, recording, seconds } as const
    store.add(page.id, [note], { recording, bytes })
  }
  const acts: AnswerActs = {
    answer: (where, value) => store.answer(page.id, where, value),
    speak: (where, recorded) => addVoice(recorded, noteIn(where)),
    photo: (where, { bytes, width, height }) => {
      const recording = crypto.randomUUID()
      const box = photoBox(where, width / height, measure)
      const before = answered.filter((item) => item.kind === 'photo' && item.place === where.id)
      store.take(
        page.id,
        before.map(({ id }) => id),
      )
      const photo = { id: crypto.randomUUID(), kind: 'photo', place: where.id, recording, ...box } as const
      store.add(page.id, [photo], { recording, bytes })
    },
    turnTo: turnToPage,
  }
  const openThing = () => {
    const [only] = picking.items
    if (picking.items.length !== 1 || !only) return
    if (only.kind === 'text' || only.kind === 'direction') things.open(only)
    if (only.kind === 'formula') setOver({ kind: 'formula', formula: only })
  }

  return (
    <>
      {children(index, pages, turnToPage)}
      <div
        className={`flex min-h-0 flex-1 ${strip === 'left' ? 'flex-row-reverse' : strip === 'right' ? '' : 'flex-col'}`}
      >
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
          <main
            className="relative flex min-h-0 flex-1"
            aria-busy={!ready}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              event.preventDefault()
              if (writes) pasting.paste(event.dataTransfer)
            }}
          >
            <PrintedWords page={page} />
            <PageSurface
              page={page}
              marks={marks}
              strokes={strokes}
              photoUrl={photoUrl}
              writing={writing}
              finger={finger}
              onSurface={setSurface}
              onView={onView}
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
                  {tint && <TintedPaper page={page} view={view} tint={tint} />}
                  {large && writing && <CloseUpFrame closeUp={closeUp} view={view} />}
                  {picking.bounds && (
                    <PickedBox
                      items={picking.items}
                      bounds={picking.bounds}
                      view={view}
                      photoUrl={photoUrl}
                      onLift={setLifted}
                      onMove={picking.move}
                      onReshape={picking.change}
                      onTap={openThing}
                    />
                  )}
                  {things.typing && (
                    <WordsEditor
                      thing={things.typing}
                      view={view}
                      onType={things.type}
                      onDone={things.done}
                    />
                  )}
                </>
              )}
            </PageSurface>
            <PageTabs
              count={pages.length}
              current={index}
              onTurn={turnTo}
              noted={notedPages(copy, pages, person.id, index)}
              onAll={() => setOver({ kind: 'pages' })}
            />
          </main>
          {large && writing && (
            <CloseUp
              page={page}
              marks={marks}
              strokes={strokes}
              photoUrl={photoUrl}
              writing={writing}
              closeUp={closeUp}
              onClose={() => setLarge(false)}
            />
          )}
        </div>
        {writes && (
          <WorkingStrip
            person={person}
            tools={tools}
            surface={surface}
            picking={picking}
            pasting={pasting}
            upright={strip !== 'bottom'}
            page={page}
            items={seen.items}
            canUndo={history.done.length > 0}
            canRedo={history.undone.length > 0}
            onUndo={undo}
            onRedo={redo}
            large={large}
            onLarge={() => {
              closeUp.move(middle())
              tools.setTool('pen')
              setLarge(!large)
            }}
            onWords={things.open}
            onFormula={(formula) => setOver({ kind: 'formula', ...(formula ? { formula } : {}) })}
            {...(trial ? {} : { onLookBack: () => setOver({ kind: 'past' }) })}
            onClear={() => {
              const own = seen.placed.filter((placed) => mine(placed) && placed.author === person.id)
              store.take(
                page.id,
                own.map(({ item }) => item.id),
              )
            }}
            onRecorded={(recorded) => addVoice(recorded, placeFor(surface, seen.notes.length, page))}
          />
        )}
      </div>
      {over?.kind === 'pages' && (
        <PagesDialog
          store={store}
          printed={copy.pages}
          pages={pages}
          index={index}
          person={person}
          writes={writes}
          onTurn={turnToPage}
          onClose={() => setOver(undefined)}
        />
      )}
      <Suspense>
        {over?.kind === 'past' && (
          <LookBack
            copy={copy}
            store={store}
            person={person}
            page={page.id}
            photoUrl={photoUrl}
            writes={writes}
            onClose={() => setOver(undefined)}
          />
        )}
        {over?.kind === 'formula' && (
          <FormulaDialog
            formula={over.formula}
            onClose={() => setOver(undefined)}
            onDone={(latex, drawing) => {
              const { formula } = over
              if (formula?.kind === 'formula') picking.change(rewrittenFormula(formula, latex, drawing))
              else things.add(formulaThing(latex, drawing, middle(), tools.swatch.colour, LETTERS * 1.3))
              setOver(undefined)
            }}
          />
        )}
      </Suspense>
    </>
  )
}
