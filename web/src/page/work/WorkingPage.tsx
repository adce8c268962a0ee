import {
  type CopyWhole,
  handedBackRound,
  mayRead,
  mayWriteOn,
  type Person,
  type Placed,
  photoBox,
  type WorksheetPage,
  worksOn,
} from '@hand-back/core'
import { type ReactNode, useCallback, useState } from 'react'
import { useStore } from 'zustand'
import { Cards, type HeldTool } from '../answers/Cards.tsx'
import { PrintedWords } from '../answers/PrintedWords.tsx'
import { useAnswersOf, useDrawnToRead, useDrawnToWork } from '../answers/useDrawn.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { usePhotos } from '../copy/usePhotos.ts'
import { measure } from '../draw/letters.ts'
import { StepFrame } from '../feedback/StepFrame.tsx'
import { useStepping } from '../feedback/useStepping.ts'
import { LaidFilms } from '../film/LaidFilms.tsx'
import type { KeyGroup } from '../keys/keyActs.ts'
import { AnswerPlaces } from '../kinds/AnswerPlaces.tsx'
import type { AnswerActs } from '../kinds/pageKind.ts'
import { PageTabs } from '../pages/PageTabs.tsx'
import { useFeedbackFirst } from '../pages/useFeedbackFirst.ts'
import { usePagesNow } from '../pages/usePagesNow.ts'
import { useSameLook, useWhere } from '../pages/useWhere.ts'
import { PinsBeside } from '../pins/PinsBeside.tsx'
import { usePins } from '../pins/usePins.ts'
import { usePrintKey } from '../print/usePrintKey.ts'
import { useReading } from '../reading/useReading.ts'
import { STUDENT_SWATCHES } from '../strip/swatches.ts'
import { TOOLS, type ToolName } from '../tools/index.ts'
import { useTools } from '../tools/useTools.ts'
import type { View } from '../view/view.ts'
import { RecordingBar } from '../voice/RecordingBar.tsx'
import { SpeakButton } from '../voice/SpeakButton.tsx'
import { useHearAll } from '../voice/useHearAll.ts'
import { VoiceNotes } from '../voice/VoiceNotes.tsx'
import { ClosedVeil } from './ClosedVeil.tsx'
import { type Over, OverPage } from './OverPage.tsx'
import { PaperTag } from './PaperTag.tsx'
import { FeedbackBar, PinTags } from './parts.ts'
import { ReadingStrip } from './ReadingStrip.tsx'
import { useOpenPart } from './useOpenPart.ts'
import { useSpokenWork } from './useSpokenWork.ts'
import { useTalkPlayer } from './useTalkPlayer.tsx'
import { useWork } from './useWork.ts'
import { useSeen } from './useWriting.ts'
import { WorkingStrip } from './WorkingStrip.tsx'
import { Worktop } from './Worktop.tsx'
import { notedPages } from './workingNotes.ts'

interface WorkingPageProps {
  copy: CopyWhole
  store: CopyStore
  person: Person
  /** What is recorded or photographed and has not left this device. */
  bytesOf: (name: string) => Blob | undefined
  /** It is only tried out: there is no past to look back at. */
  trial?: boolean
  /** What the teacher wrote to help is not shown just now. */
  hidesHelp?: boolean
  /** Left out: one can speak on it. */
  silent?: boolean
  /** Pens are down: it takes nothing just now. */
  rests?: boolean
  /** A student may write on what is there to be read. */
  writesAtFront?: boolean
  /** What is seen on the page and takes nothing from under a pen. */
  over?:
    | ((
        page: string,
        view: View,
        pages: readonly WorksheetPage[],
        turnTo: (page: string) => void,
      ) => ReactNode)
    | undefined
  /** What stands over the page, told which page it is, all pages, and how to turn to one. */
  children: (index: number, pages: readonly WorksheetPage[], turnTo: (page: string) => void) => ReactNode
}

/** A copy as its student works on it: the page, what is printed on it, answers, ink, things, voice, and the strip of tools. */
export function WorkingPage(props: WorkingPageProps) {
  const { copy, store, person, bytesOf, trial = false, silent = false, hidesHelp = false, children } = props
  const { rests = false, writesAtFront = false, over: overPage } = props
  const { state, round, ready } = useStore(store.view)
  const pages = usePagesNow(copy, store)
  // A shared copy opens on one's own page, or where one's part of it is.
  const given = copy.parts.find(({ students }) => students.includes(person.id))?.page
  const own = pages.find(({ id }) => copy.owners[id]?.includes(person.id))?.id ?? given
  const where = useWhere(copy.id, pages, own)
  const { index, turnTo, turnToPage } = where
  const tools = useTools(person, STUDENT_SWATCHES)
  const [over, setOver] = useState<Over>()
  // What is only tried out has no past and no PDF.
  const lookBack = trial ? undefined : () => setOver('past')
  const print = trial ? undefined : () => setOver('print')
  const save = trial ? undefined : () => setOver('save')
  usePrintKey(print)
  const page = pages[index]!
  // What was handed back by mistake and brought back has been told to this device, and is not its student's to read yet.
  const readable = useCallback(
    ({ layer, round: of }: Placed) =>
      mayRead('student', { state, round }, layer, of) && !(hidesHelp && layer === 'help'),
    [state, round, hidesHelp],
  )
  const seen = useSeen(store, page.id, readable)
  const feedback = useFeedbackFirst(copy.id, store, pages, readable, turnToPage)
  const { touchAll } = copy
  const { part, lies } = useOpenPart(copy, store, page)
  const mine = useCallback(
    (placed: Placed) =>
      placed.layer === 'work' && (touchAll || placed.author === person.id) && lies(placed.item),
    [person.id, touchAll, lies],
  )
  // What is there to be read, its teacher writes, and who is asked to.
  const takes = copy.way === 'read' ? person.role === 'teacher' || writesAtFront : worksOn(state)
  const works = takes && mayWriteOn(person.id, page.id, copy.owners)
  const writes = works && !rests
  const turn = useCallback((by: number) => turnTo(index + by), [turnTo, index])
  /** Going through what came back, and the piece of it that is shown. */
  const [goes, setGoes] = useState(true)
  // With the teacher it takes no answers: nothing is said to it then.
  const hasFeedback = feedback.size > 0 && state !== 'handed in'
  const onFeedback = hasFeedback && !goes ? () => setGoes(true) : undefined
  const [stepKeys, setStepKeys] = useState<KeyGroup>()
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
    moreKeys: stepKeys,
  })
  const { surface } = work
  const { step, onStep } = useStepping(surface, page.id, turnToPage)
  const answered = useAnswersOf(seen.items)
  const working = useDrawnToWork(page, answered, work.elsewhere, lies)
  const reading = useDrawnToRead(copy, page, answered)
  const photoUrl = usePhotos(copy.id, bytesOf)
  const talk = useTalkPlayer({ copy, store, person, photoUrl })
  const onView = useSameLook(where, work.surface, page.id)
  const onRead = useReading(page, seen.items)
  const hearAll = useHearAll(page.id, seen.notes)
  const onHear = seen.notes.length > 0 ? hearAll.toggle : undefined

  const pins = usePins({ copy, store, person, pages, page })
  /** What the row of tools can do, to write or to read. */
  const row = {
    work,
    onPin: pins?.place,
    onRead,
    onHear,
    onLookBack: lookBack,
    onFeedback,
    onPrint: print,
    onSave: save,
  }
  const { speaking, speak, film, speakIn, bring, answer, pin } = useSpokenWork({
    copy,
    store,
    person,
    pages,
    page,
    seen,
    part,
    surface,
    open: ready && (works || hasFeedback || pins !== undefined) && !silent,
  })
  const acts: AnswerActs = {
    answer: (where, value) => store.answer(page.id, where, value),
    typing: (where, text) =>
      text === undefined ? store.doneTyping(where) : store.keepTyping(page.id, where, { text }),
    speaking,
    speak: speakIn,
    photo: (where, { bytes, width, height }) => {
      const recording = crypto.randomUUID()
      const box = photoBox(where, width / height, measure)
      const before = answered.filter((item) => item.kind === 'photo' && item.place === where.id)
      const photo = { id: crypto.randomUUID(), kind: 'photo', place: where.id, recording, ...box } as const
      store.together(() => {
        store.take(
          page.id,
          before.map(({ id }) => id),
        )
        store.add(page.id, [photo], { name: recording, bytes })
      })
    },
    turnTo: turnToPage,
    watch: talk.watch,
  }

  return (
    <>
      {children(index, pages, turnToPage)}
      {hasFeedback && goes && ready && (
        <FeedbackBar
          copy={copy}
          mayReply={(of) => mayWriteOn(person.id, of, copy.owners)}
          store={store}
          pages={pages}
          round={handedBackRound({ state, round })}
          onStep={onStep}
          onKeys={setStepKeys}
          soundUrl={photoUrl}
          onSpeak={silent ? undefined : answer}
          onClose={() => setGoes(false)}
        />
      )}
      <RecordingBar
        speaking={speaking}
        longest={copy.longestVoice}
        longestFilm={copy.longestFilm}
        keeps={(made) => {
          if (made.pin) return pins !== undefined
          return made.to === undefined ? works : hasFeedback
        }}
      />
      <Worktop
        copy={copy}
        work={work}
        ready={ready}
        drawn={writes ? working : reading}
        photoUrl={photoUrl}
        onView={onView}
        label={`Page ${index + 1} of ${copy.title}`}
        laid={(view) => (
          <>
            <PaperTag
              {...{ page, view, photoUrl, placed: seen.placed, store }}
              mayTake={(author) => writes && author === person.id}
            />
            {part && writes && <ClosedVeil part={part} page={page} view={view} />}
            {step?.box && step.page === page.id && <StepFrame box={step.box} view={view} />}
            <AnswerPlaces page={page} items={answered} view={view} acts={acts} open={writes} isOpen={lies} />
            {writes && (
              <Cards
                page={page}
                items={answered}
                copy={copy.id}
                view={view}
                held={heldTool(work.tools.tool)}
                onPut={(id, card, to) => store.putCard(page.id, id, card, to)}
                onTake={(id) => store.take(page.id, [id])}
              />
            )}
            <LaidFilms items={seen.items} view={view} urlOf={photoUrl} />
            <VoiceNotes
              copy={copy.id}
              view={view}
              notes={seen.notes.map(({ note, author, feedback }) => ({
                note,
                feedback,
                mine: !feedback && writes && (touchAll || author === person.id) && lies(note),
              }))}
              soundOf={bytesOf}
              hearAll={hearAll}
              onChange={({ id: item }, set, was) => store.act(page.id, { act: 'change', item, set, was })}
              onTake={(note) => store.take(page.id, [note.id])}
              onWatch={talk.watch}
            />
            {pins && <PinTags {...{ pins, page, view, speaking }} onClose={nothing} />}
            {overPage?.(page.id, view, pages, turnToPage)}
          </>
        )}
        margin={
          pins && (
            <PinsBeside
              pins={pins}
              surface={work.surface}
              soundUrl={photoUrl}
              onSpeak={silent ? undefined : pin}
            />
          )
        }
        strip={(upright) =>
          works ? (
            <div className={`contents ${rests ? '[&>*]:opacity-40' : ''}`} inert={rests}>
              <WorkingStrip
                {...row}
                onSound={silent ? undefined : bring}
                onFilm={silent || copy.longestFilm === 0 ? undefined : film}
                onPaper={() => setOver('paper')}
                upright={upright}
              >
                {!silent && <SpeakButton speaking={speaking} onSpeak={speak} />}
              </WorkingStrip>
            </div>
          ) : (
            <ReadingStrip {...row} upright={upright} />
          )
        }
      >
        <PrintedWords page={page} />
        <PageTabs
          count={pages.length}
          current={index}
          onTurn={turnTo}
          feedback={feedback}
          {...(pins ? { pinned: pins.pages } : {})}
          noted={notedPages(copy, pages, person.id, index)}
          onAll={() => setOver('pages')}
        />
      </Worktop>
      <OverPage
        {...{ over, copy, store, person, pages, index, seen, work, photoUrl, writes }}
        // A go for chosen questions takes no pages either.
        writesAll={writes && !part}
        onTurn={turnToPage}
        onClose={() => setOver(undefined)}
      />
      {talk.player}
    </>
  )
}

/** Tags that cannot be fetched are not there, and nothing else changes. */
const nothing = () => {}

/** What the tool in hand is to the cards on the page. */
function heldTool(tool: ToolName): HeldTool {
  if (TOOLS[tool].writes) return 'writes'
  return tool === 'eraser' ? 'rubs' : 'nothing'
}
