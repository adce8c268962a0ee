import {
  type Box,
  type CopyWhole,
  isOnLayer,
  type Person,
  type Placed,
  type Point,
  worksOn,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Eye, SquareUser } from 'lucide-react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useLocation, useNavigate, useParams } from 'react-router'
import { useStore } from 'zustand'
import { Problem } from '../../api/ask.ts'
import { live } from '../../api/live.ts'
import { queries } from '../../api/queries.ts'
import { DrawBox } from '../../lesson/DrawBox.tsx'
import { PartsMarked } from '../../lesson/PartsMarked.tsx'
import { PensHere, usePens } from '../../lesson/PensHere.tsx'
import { whenPenIsUp } from '../../lesson/whenPenIsUp.ts'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { useCopy } from '../../page/copy/useCopy.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { LaidFilms } from '../../page/film/LaidFilms.tsx'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { PageTabs } from '../../page/pages/PageTabs.tsx'
import { usePagesNow } from '../../page/pages/usePagesNow.ts'
import { TEACHER_SWATCHES } from '../../page/strip/swatches.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { useTools } from '../../page/tools/useTools.ts'
import { useHearAll } from '../../page/voice/useHearAll.ts'
import { VoiceNotes } from '../../page/voice/VoiceNotes.tsx'
import { useTalkPlayer } from '../../page/work/useTalkPlayer.tsx'
import { useWork } from '../../page/work/useWork.ts'
import { useSeen } from '../../page/work/useWriting.ts'
import { WorkingStrip } from '../../page/work/WorkingStrip.tsx'
import { Worktop } from '../../page/work/Worktop.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Fetched, Loading, Trouble } from '../../ui/Notice.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { GiveHelp } from './GiveHelp.tsx'
import { PartsGiven } from './PartsGiven.tsx'
import { ShowAtFront } from './ShowAtFront.tsx'
import { useBeside } from './useBeside.ts'
import { useWhereabouts } from './useRoom.ts'

/** One copy while its student works on it: the teacher looks on, and helps in ink and words that are seen at once. */
export function HelpedCopy({ person }: { person: Person }) {
  const { copy: id = '' } = useParams()
  const whole = useQuery({ ...queries.copy(id), staleTime: Number.POSITIVE_INFINITY })
  const store = useCopy(whole.data, person, 'help')
  return (
    <Fetched of={whole}>
      {(copy) => (store ? <Helping key={copy.id} copy={copy} store={store} person={person} /> : <Loading />)}
    </Fetched>
  )
}

/** What lies at an address. Rejects when it cannot be had. */
async function blobAt(url: string): Promise<Blob> {
  const answer = await fetch(url)
  if (!answer.ok) throw new Problem('A part of this help cannot be fetched just now.', answer.status)
  return answer.blob()
}

/** Moves the page along with a place that somebody else looks at, and never under a pen. */
function useFollowed(surface: Surface | undefined, at: Point | undefined): void {
  const { x, y } = at ?? {}
  useEffect(() => {
    if (!surface || x === undefined || y === undefined) return
    return whenPenIsUp(() => surface.look({ x, y }, surface.view.scale))
  }, [surface, x, y])
}

const all = ({ layer }: Placed) => layer === 'work' || layer === 'help'

function Helping({ copy, store, person }: { copy: CopyWhole; store: CopyStore; person: Person }) {
  const { state, ready, log, trouble } = useStore(store.view)
  const pages = usePagesNow(copy, store)
  const where = useWhereabouts(copy.handout).get(copy.id) ?? []
  const theirs = [...where].sort((a, b) => b.toldAt - a.toldAt).find(({ gone }) => !gone)
  const theirPage = theirs?.page
  const [follows, setFollows] = useState(true)
  const [pageId, setPageId] = useState<string>()
  const shownId = (follows && theirPage) || pageId
  const index = Math.max(
    0,
    pages.findIndex(({ id }) => id === shownId),
  )
  const page = pages[index]!
  const turnTo = useCallback(
    (to: number) => {
      setFollows(false)
      setPageId(pages[Math.min(pages.length - 1, Math.max(0, to))]?.id)
    },
    [pages],
  )
  const turn = useCallback((by: number) => turnTo(index + by), [turnTo, index])
  const turnToPage = useCallback(
    (id: string) => turnTo(pages.findIndex((each) => each.id === id)),
    [turnTo, pages],
  )
  const isShared = copy.way === 'group' || copy.way === 'all'
  const pens = usePens(copy, person.id)
  const [parting, setParting] = useState(false)
  const [drawnPart, setDrawnPart] = useState<Box>()
  useBeside(copy.id, ready && worksOn(state))
  const navigate = useNavigate()
  const { search } = useLocation()
  const back = `/handout/${copy.handout}/room${search}`
  const moreKeys = useMemo(
    (): KeyGroup => ({
      title: 'The room',
      acts: [{ keys: ['b'], words: 'back to the room', run: () => void navigate(back) }],
    }),
    [navigate, back],
  )
  const writes = copy.way !== 'read' && ready
  const mine = useCallback(
    (placed: Placed) => placed.layer === 'help' && placed.author === person.id,
    [person.id],
  )
  const bytesOf = useCallback((name: string) => outboxOf(person.id).bytesOf(name), [person.id])
  const seen = useSeen(store, page.id, all)
  const work = useWork({
    copy,
    store,
    person,
    page,
    tools: useTools(person, TEACHER_SWATCHES),
    seen,
    mine: writes ? mine : undefined,
    bytesOf,
    turn,
    turnToPage,
    moreKeys,
  })
  useFollowed(work.surface, follows && theirPage === page.id ? theirs?.at : undefined)
  const laid = useMemo(
    () => seen.items.filter(({ id }) => !work.elsewhere.has(id)),
    [seen.items, work.elsewhere],
  )
  const drawn = useDrawnToRead(copy, page, laid)
  const photoUrl = usePhotos(copy.id, bytesOf)
  const talk = useTalkPlayer({ copy, store, person, photoUrl })
  const hearAll = useHearAll(page.id, seen.notes)
  const written = useMemo(
    () => new Set(pages.flatMap(({ id }, at) => (isOnLayer(log, id, 'work') ? [at] : []))),
    [pages, log],
  )
  const help = seen.placed.filter((placed) => mine(placed)).map(({ item }) => item)
  const helped = help.map(({ id }) => id)
  const [gives, setGives] = useState(false)
  const { items: picked } = work.picking
  if (trouble) return <Trouble error={new Problem(trouble, 404)} />
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-tablet:px-3">
        <LinkButton to={back}>The room</LinkButton>
        <h1 className="min-w-0 truncate text-xl">{copy.name}</h1>
        <span className="text-ink-soft max-handheld:hidden">
          page {index + 1} of {pages.length}
        </span>
        <span className="flex-1" />
        <KeptSign outbox={outboxOf(person.id)} copy={copy.id} />
        <Tick ticked={follows} onTick={setFollows}>
          Go with them
        </Tick>
        <Button
          onClick={() => live().emit('lookHere', { copy: copy.id, page: page.id })}
          disabled={theirPage === undefined || theirPage === page.id}
        >
          <Eye size={18} aria-hidden="true" /> Look here
        </Button>
        {isShared && (
          <Button
            aria-pressed={parting}
            className="aria-pressed:border-verdigris aria-pressed:bg-blotter"
            onClick={() => setParting(!parting)}
          >
            <SquareUser size={18} aria-hidden="true" /> Parts
          </Button>
        )}
        <ShowAtFront handout={copy.handout} copy={copy.id} page={page.id} />
        {helped.length > 0 && (
          <>
            <Button look="quiet" onClick={() => setGives(true)}>
              Give to others
            </Button>
            <Button look="quiet" onClick={() => store.take(page.id, helped)}>
              Take help away
            </Button>
          </>
        )}
      </header>
      {talk.player}
      {parting && (
        <PartsGiven copy={copy} page={page.id} drawn={drawnPart} onDone={() => setDrawnPart(undefined)} />
      )}
      {gives && (
        <GiveHelp
          {...{ handout: copy.handout, copy: copy.id, person }}
          help={{
            page: page.id,
            items: picked.length > 0 ? picked : help,
            bytesOf: async (name) => bytesOf(name) ?? blobAt(photoUrl(name)),
          }}
          onClose={() => setGives(false)}
        />
      )}
      <Worktop
        copy={copy}
        work={work}
        ready={ready}
        drawn={drawn}
        photoUrl={photoUrl}
        label={`Page ${index + 1} of ${copy.name}’s copy`}
        laid={(view) => (
          <>
            <LaidFilms items={seen.items} view={view} urlOf={photoUrl} />
            <PartsMarked {...{ copy, view }} page={page.id} />
            <PensHere {...{ copy, pens, view }} page={page.id} />
            {parting && <DrawBox view={view} of={{ x: 0, y: 0, ...page }} onBox={setDrawnPart} />}
            <VoiceNotes
              copy={copy.id}
              view={view}
              notes={seen.notes.map(({ note, feedback }) => ({ note, feedback, mine: false }))}
              soundOf={bytesOf}
              hearAll={hearAll}
              onWatch={talk.watch}
            />
          </>
        )}
        strip={(upright) => <WorkingStrip work={work} upright={upright} />}
      >
        <PageTabs count={pages.length} current={index} onTurn={turnTo} written={written} />
      </Worktop>
    </div>
  )
}
