import type { CopyWhole, Front, HandoutWhole, Person } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { ExternalLink, Presentation } from 'lucide-react'
import { useCallback, useEffect } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useStore } from 'zustand'
import { Problem } from '../../api/ask.ts'
import { queries } from '../../api/queries.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { useCopy } from '../../page/copy/useCopy.ts'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { WorkingPage } from '../../page/work/WorkingPage.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Fetched, Loading, Trouble } from '../../ui/Notice.tsx'
import { frontChanged, frontWith, frontWithout, shownCopies } from '../front/frontAs.ts'
import { openFrontWindow } from '../front/openFrontWindow.ts'
import { useHandout } from '../handout/useHandout.ts'
import { type Say, useLesson, useSay } from '../room/useLesson.ts'
import { BoardSteps } from './BoardSteps.tsx'
import { BoardWriter } from './BoardWriter.tsx'

/** Pages on which a teacher writes at the front, with everything that students have to work with. */
export function Board({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  return (
    <Fetched of={handout}>
      {(whole) => <Opened handout={whole} copy={whole.copies[0]!.id} person={person} />}
    </Fetched>
  )
}

function Opened({ handout, copy: id, person }: { handout: HandoutWhole; copy: string; person: Person }) {
  const whole = useQuery({ ...queries.copy(id), staleTime: Number.POSITIVE_INFINITY })
  const store = useCopy(whole.data, person, 'work')
  const [asked] = useSearchParams()
  const lesson = asked.get('lesson') ?? handout.id
  return (
    <Fetched of={whole}>
      {(copy) => (store ? <Writing key={id} {...{ handout, copy, store, person, lesson }} /> : <Loading />)}
    </Fetched>
  )
}

interface WritingProps {
  handout: HandoutWhole
  copy: CopyWhole
  store: CopyStore
  person: Person
  /** The hand-out at whose front it is shown. */
  lesson: string
}

function Writing({ handout, copy, store, person, lesson }: WritingProps) {
  const outbox = outboxOf(person.id)
  const bytesOf = useCallback((name: string) => outbox.bytesOf(name), [outbox])
  const { trouble } = useStore(store.view)
  const front = useLesson(lesson).data?.lesson.front ?? null
  const say = useSay(lesson)
  if (trouble) return <Trouble error={new Problem(trouble, 404)} />
  return (
    <div className="flex h-full flex-col">
      <WorkingPage {...{ copy, store, person, bytesOf }}>
        {(index, pages) => (
          <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-card px-5 py-1.5 max-tablet:px-3">
            {lesson === handout.id ? (
              <LinkButton to={`/handout/${handout.id}`}>{handout.className}</LinkButton>
            ) : (
              <LinkButton to={`/handout/${lesson}/front`}>The front</LinkButton>
            )}
            <h1 className="min-w-0 truncate text-xl">{copy.title}</h1>
            <span className="whitespace-nowrap text-ink-soft max-tablet:hidden">
              page {index + 1} of {pages.length}
            </span>
            <span className="flex-1" />
            <KeptSign outbox={outbox} copy={copy.id} />
            <BoardWriter board={handout} />
            <BoardSteps {...{ handout, lesson }} copy={copy.id} />
            <AtFront {...{ front, say, copy: copy.id, page: pages[index]!.id }} />
            <Button title="Window for the projector" onClick={() => openFrontWindow(lesson)}>
              <ExternalLink size={17} aria-hidden="true" />
              <span className="max-tablet:sr-only">Window for the projector</span>
            </Button>
          </header>
        )}
      </WorkingPage>
    </div>
  )
}

interface AtFrontProps {
  front: Front | null
  say: Say
  copy: string
  page: string
}

/** Shows the page that is written on, and goes along as it is turned. */
function AtFront({ front, say, copy, page }: AtFrontProps) {
  const shown = shownCopies(front).find((each) => each.copy === copy)
  const shownPage = shown?.page
  // biome-ignore lint/correctness/useExhaustiveDependencies: said when the page is turned, not when it was said elsewhere
  useEffect(() => {
    if (shownPage !== undefined && shownPage !== page)
      void say({ say: 'show', front: frontChanged(front, copy, { page, part: null }) })
  }, [page])
  return (
    <Button
      look={shown ? 'plain' : 'main'}
      aria-pressed={shown !== undefined}
      onClick={() =>
        void say({
          say: 'show',
          front: shown ? frontWithout(front, copy) : frontWith(front, copy, page, false),
        })
      }
    >
      <Presentation size={18} aria-hidden="true" /> {shown ? 'Take it off the front' : 'Show at the front'}
    </Button>
  )
}
