import {
  CALLS,
  type CopyWhole,
  isOnLayer,
  type MarkingWhole,
  type Person,
  type Placed,
  pageOf,
  sayGoFor,
  USUAL_FILM_SECONDS,
  type VoiceNote,
  type WorksheetPage,
  worksOn,
} from '@hand-back/core'
import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { urlOf } from '../../api/ask.ts'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { StepFrame } from '../../page/feedback/StepFrame.tsx'
import { useStepping } from '../../page/feedback/useStepping.ts'
import { LaidFilms } from '../../page/film/LaidFilms.tsx'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { PageTabs } from '../../page/pages/PageTabs.tsx'
import { usePagesNow } from '../../page/pages/usePagesNow.ts'
import { PinsBeside } from '../../page/pins/PinsBeside.tsx'
import { PinTags } from '../../page/pins/PinTags.tsx'
import { usePins } from '../../page/pins/usePins.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import type { useTools } from '../../page/tools/useTools.ts'
import type { View } from '../../page/view/view.ts'
import { RecordingBar } from '../../page/voice/RecordingBar.tsx'
import { SpeakButton } from '../../page/voice/SpeakButton.tsx'
import { VoiceNotes } from '../../page/voice/VoiceNotes.tsx'
import { PaperTag } from '../../page/work/PaperTag.tsx'
import { LookBack } from '../../page/work/parts.ts'
import { useTalkPlayer } from '../../page/work/useTalkPlayer.tsx'
import { useWork } from '../../page/work/useWork.ts'
import { useSeen } from '../../page/work/useWriting.ts'
import { WorkingStrip } from '../../page/work/WorkingStrip.tsx'
import { Worktop } from '../../page/work/Worktop.tsx'
import { useBeside } from '../room/useBeside.ts'
import { AboutAll } from './AboutAll.tsx'
import { ChangeFrames } from './ChangeFrames.tsx'
import { DrawAreas } from './DrawAreas.tsx'
import { addQuestion } from './drawnQuestions.ts'
import { KeepRemark, KeepSpoken } from './KeepRemark.tsx'
import { levelOf } from './levelOf.ts'
import { MarkColumn } from './MarkColumn.tsx'
import { MarkingChoices, useMarkStep } from './MarkingChoices.tsx'
import { pileKeys } from './pileKeys.ts'
import { RemarkChooser } from './RemarkChooser.tsx'
import type { Seeing } from './SeeingChoice.tsx'
import { SignTags } from './SignTags.tsx'
import { TheirView } from './TheirView.tsx'
import { useChanges } from './useChanges.ts'
import { useGoingOn } from './useGoingOn.ts'
import { useHearing } from './useHearing.ts'
import { type MarkedQuestion, useMarks } from './useMarks.ts'
import { useOverall } from './useOverall.ts'
import { useRemarkChoice } from './useRemarkChoice.ts'
import { useRunning } from './useRunning.tsx'
import { useSigns } from './useSigns.ts'
import { useSpokenFeedback } from './useSpokenFeedback.ts'
import { useWhoseInk } from './useWhoseInk.tsx'
import { WhatChanged } from './WhatChanged.tsx'

interface MarkedCopyProps {
  copy: CopyWhole
  store: CopyStore
  /** It is the copy wanted, not the one before. */
  settled: boolean
  person: Person
  tools: ReturnType<typeof useTools>
  seeing: Seeing
  onSee: (seeing: Seeing) => void
  /** Which page is shown: its id, or its place among the pages. */
  pageAt: string | number
  onTurn: (index: number) => void
  /** What whoever has it is called. */
  first: string
  onNext: () => void
  onBefore: () => void
  /** Says that it is reviewed, or is not. */
  onReviewed: () => void
  marking: MarkingWhole | undefined
  /** The unit of the worksheet: remarks that are kept here belong to it. */
  unit: string
  /** What stands beside a page of it; nothing: it has the room for itself. */
  beside: ((page: WorksheetPage) => ReactNode) | undefined
  /** The choice of that. */
  besideChoice: ReactNode
  /** What to go on with, under the marks. */
  children: ReactNode
}

/** The copy that is being marked: its page, the teacher's tools, and its marks beside it. */
export function MarkedCopy({
  copy,
  store,
  settled,
  person,
  tools,
  seeing,
  onSee,
  pageAt,
  onTurn,
  first,
  onNext,
  onBefore,
  onReviewed,
  marking,
  unit,
  beside,
  besideChoice,
  children,
}: MarkedCopyProps) {
  const { state, round, goFor, log, ready } = useStore(store.view)
  const pages = usePagesNow(copy, store)
  const index =
    typeof pageAt === 'number'
      ? Math.min(pageAt, pages.length - 1)
      : Math.max(
          0,
          pages.findIndex(({ id }) => id === pageAt),
        )
  const page = pages[index]!
  /** Whether a last look shows the marks. */
  const [theirMarks, setTheirMarks] = useState(!copy.withoutMarks.includes(round))
  const wanted = useCallback(
    ({ layer, item }: Placed) => {
      if (!settled) return false
      if (seeing === 'theirs') return theirMarks || item.kind !== 'mark'
      return seeing === 'all' || (seeing === 'work' && layer !== 'feedback')
    },
    [seeing, settled, theirMarks],
  )
  // Whoever works on it knows that the teacher looks at it.
  useBeside(copy.id, settled && ready && worksOn(state))
  const seen = useSeen(store, page.id, wanted)
  const mine = useCallback(
    (placed: Placed) => placed.author === person.id && placed.layer === 'feedback' && placed.round === round,
    [person.id, round],
  )
  const writes = settled && state !== 'waiting' && seeing === 'all' && copy.way !== 'read'
  const turn = useCallback(
    (by: number) => onTurn(Math.min(pages.length - 1, Math.max(0, index + by))),
    [pages.length, index, onTurn],
  )
  const turnToPage = useCallback(
    (id: string) => onTurn(pages.findIndex((each) => each.id === id)),
    [pages, onTurn],
  )
  const [view, setView] = useState<View>({ scale: 1, x: 0, y: 0 })
  const marks = useMarks(copy.id, store, pages, log, round, marking)
  const overall = useOverall(copy.id, store, pages, log, round)
  const column = useRef<HTMLElement>(null)
  const [openAll, setOpenAll] = useState<boolean>()
  const aboutAll = { open: openAll ?? marks.questions.length === 0, setOpen: setOpenAll }
  const { goOn, toFirst } = useGoingOn(copy.id, settled, marks, index, onTurn, onNext, column, aboutAll)
  const surface = useRef<Surface>(undefined)
  const signs = useSigns(store, pages, page, marks, tools, surface, writes)
  const choice = useRemarkChoice({ store, pages, index, marks, surface, column, writes })
  const { ask: askRemark } = choice
  const {
    speaking,
    speak,
    film,
    bring,
    pin,
    longest,
    goOn: speakOn,
  } = useSpokenFeedback({
    copy,
    store,
    person,
    pages,
    index,
    seen,
    mine,
    marks,
    hand: choice.hand,
    surface,
    writes: writes && ready,
  })
  const hearing = useHearing({
    copy: copy.id,
    ready: settled && ready,
    log,
    pages,
    index,
    seen,
    onTurn,
    onNext,
  })
  const moreKeys = useMemo(
    () =>
      pileKeys({
        onNext,
        onBefore,
        onReviewed,
        toFirst,
        onRemark: () => askRemark(),
        onHear: hearing.toggle,
        onHearNext: hearing.hearNext,
        onSpeak: speakOn,
        onSign: signs.putHere,
      }),
    [
      onNext,
      onBefore,
      onReviewed,
      toFirst,
      askRemark,
      signs.putHere,
      hearing.toggle,
      hearing.hearNext,
      speakOn,
    ],
  )
  const [stepKeys, setStepKeys] = useState<KeyGroup>()
  const bytesOf = useCallback((name: string) => outboxOf(person.id).bytesOf(name), [person.id])
  const work = useWork({
    copy,
    store,
    person,
    page,
    tools,
    seen,
    mine: writes ? mine : undefined,
    bytesOf,
    turn,
    turnToPage,
    moreKeys: stepKeys ?? moreKeys,
  })
  surface.current = work.surface
  const stepping = useStepping(work.surface, page.id, turnToPage)
  const [comparing, setComparing] = useState(false)
  const [drawsAreas, setDrawsAreas] = useState(false)
  const step = useMarkStep(person)
  const pageNow = pageOf(log, page.id)
  const compares = comparing && settled && seeing === 'all' && round > 1
  const changes = useChanges(copy.id, page, pageNow, round, compares)
  const [lookingBack, setLookingBack] = useState(false)
  const whose = useWhoseInk({
    copy,
    store,
    person,
    page,
    log: pageNow,
    seen,
    elsewhere: work.elsewhere,
    tells: seeing === 'all',
  })
  const strokes = useMemo(() => {
    const own = whose.strokes
    if (!changes || changes.pale.length === 0) return own
    // What is gone lies under what is there.
    return [...changes.pale, ...(own ?? seen.strokes.filter(({ id }) => !work.elsewhere.has(id)))]
  }, [whose.strokes, seen, work.elsewhere, changes])
  const laid = useMemo(
    () => seen.items.filter(({ id }) => !work.elsewhere.has(id)),
    [seen.items, work.elsewhere],
  )
  const drawn = useDrawnToRead(copy, page, laid)
  const photoUrl = usePhotos(copy.id, bytesOf)
  const talk = useTalkPlayer({ copy, store, person, photoUrl })
  const running = useRunning({ copy, store, person, pages, index, wanted, photoUrl, turn })
  const level = (of: MarkedQuestion) => levelOf(of, pages, index, view, running !== undefined)

  const pins = usePins({ copy, store, person, pages, page })
  /** What was spoken and is about to be kept as a remark. */
  const [spoken, setSpoken] = useState<VoiceNote>()

  const written = useMemo(
    () => new Set(pages.flatMap(({ id }, at) => (isOnLayer(log, id, 'work') ? [at] : []))),
    [pages, log],
  )
  return (
    <>
      {whose.rows}
      <RecordingBar
        speaking={speaking}
        longest={longest}
        longestFilm={USUAL_FILM_SECONDS}
        keeps={(made) => (made.pin ? pins !== undefined : writes)}
      />
      {round > 1 && (
        <WhatChanged
          round={round}
          shown={comparing}
          onShow={setComparing}
          goFor={sayGoFor(goFor, copy.questions)}
          changes={changes}
        />
      )}
      {talk.player}
      {spoken && (
        <KeepSpoken
          note={spoken}
          unit={unit}
          sound={
            bytesOf(spoken.recording) ??
            urlOf(CALLS.attachment, { copy: copy.id, attachment: spoken.recording })
          }
          onClose={() => setSpoken(undefined)}
        />
      )}
      {lookingBack && (
        <LookBack
          copy={copy}
          store={store}
          person={person}
          page={page.id}
          photoUrl={photoUrl}
          writes={false}
          onClose={() => setLookingBack(false)}
        />
      )}
      {seeing === 'theirs' && settled && (
        <TheirView
          key={copy.id}
          copy={copy}
          store={store}
          pages={pages}
          round={round}
          marks={theirMarks}
          onMarks={setTheirMarks}
          onStep={stepping.onStep}
          onKeys={setStepKeys}
          soundUrl={photoUrl}
          onClose={() => onSee('all')}
        />
      )}
      <div className="flex min-h-0 flex-1 max-tablet:flex-col">
        {beside?.(page)}
        <div className="flex min-h-0 min-w-0 flex-[3]" onDropCapture={choice.drop}>
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <Worktop
              copy={copy}
              work={work}
              ready={settled && ready}
              drawn={drawn}
              strokes={strokes}
              photoUrl={photoUrl}
              label={`Page ${index + 1} of ${copy.name}’s copy`}
              running={running}
              onView={setView}
              laid={(view) => (
                <>
                  <PaperTag
                    {...{ page, view, photoUrl, placed: seen.placed, store }}
                    mayTake={() => writes}
                  />
                  {drawsAreas && writes && (
                    <DrawAreas
                      page={page}
                      view={view}
                      questions={marking?.questions ?? []}
                      onAdd={(question) => void addQuestion(copy.handout, question)}
                    />
                  )}
                  {changes && <ChangeFrames changes={changes} view={view} />}
                  {seeing === 'theirs' && stepping.step?.box && stepping.step.page === page.id && (
                    <StepFrame box={stepping.step.box} view={view} />
                  )}
                  <LaidFilms items={seen.items} view={view} urlOf={photoUrl} />
                  <VoiceNotes
                    copy={copy.id}
                    view={view}
                    notes={seen.notes.map(({ note, author, feedback, round: of }) => ({
                      note,
                      feedback,
                      mine: writes && feedback && author === person.id && of === round,
                    }))}
                    soundOf={bytesOf}
                    hearAll={hearing}
                    onChange={({ id: item }, set, was) =>
                      store.act(page.id, { act: 'change', item, set, was })
                    }
                    onTake={(note) => store.take(page.id, [note.id])}
                    onKeepIt={setSpoken}
                    onWatch={talk.watch}
                  />
                  {pins && settled && <PinTags pins={pins} page={page} view={view} speaking={speaking} />}
                </>
              )}
              margin={
                pins &&
                settled && <PinsBeside pins={pins} surface={work.surface} soundUrl={photoUrl} onSpeak={pin} />
              }
              strip={(upright) => (
                <WorkingStrip
                  work={work}
                  upright={upright}
                  onLookBack={() => setLookingBack(true)}
                  onSound={writes ? bring : undefined}
                  onFilm={writes ? film : undefined}
                  onPin={pins?.place}
                  onHear={seen.notes.length > 0 ? hearing.toggle : undefined}
                  moreView={
                    <>
                      {besideChoice}
                      {writes && <MarkingChoices person={person} onDrawAreas={() => setDrawsAreas(true)} />}
                    </>
                  }
                >
                  {writes && <SpeakButton speaking={speaking} onSpeak={speak} />}
                </WorkingStrip>
              )}
            >
              <PageTabs
                count={pages.length}
                current={index}
                onTurn={onTurn}
                written={written}
                {...(pins ? { pinned: pins.pages } : {})}
              />
              {state === 'waiting' && (
                <p className="absolute bottom-4 left-1/2 -translate-x-1/2 rounded-tag border border-rule bg-card px-4 py-2">
                  {copy.name} has not opened this copy yet.
                </p>
              )}
            </Worktop>
          </div>
          <MarkColumn
            marks={marks}
            levelOf={level}
            first={first}
            soundUrl={photoUrl}
            readOnly={!writes}
            step={step}
            column={column}
            onNextAfter={goOn}
            onSign={signs.putAt}
            onRemarks={choice.ask}
            aboutAll={
              <AboutAll
                handout={copy.handout}
                rubric={marking?.rubric ?? null}
                marks={marks}
                overall={overall}
                first={first}
                soundUrl={photoUrl}
                readOnly={!writes}
                {...aboutAll}
                onNextAfter={goOn}
              />
            }
            drawsAreas={drawsAreas}
            onDrawAreas={setDrawsAreas}
            onHand={(of) => {
              choice.setHand(of)
              const area = of.question.areas.find((each) => each.page === page.id)
              if (area) surface.current?.bring(area)
              // Its page comes to the middle, and is the one to write on then.
              else surface.current?.panBy(0, window.innerHeight / 3 - (level(of) ?? 0))
            }}
          >
            {writes && <SignTags tools={tools} />}
            {writes && work.picking.items.some(({ kind }) => kind !== 'mark') && (
              <KeepRemark items={work.picking.items} unit={unit} />
            )}
            {writes && <RemarkChooser {...choice.chooser} />}
            {children}
          </MarkColumn>
        </div>
      </div>
    </>
  )
}
