import {
  bringBackTo,
  type CopyWhole,
  drawnPage,
  emptyPage,
  inOrder,
  inSight,
  type KeptEvent,
  type Person,
  pagesAt,
  pagesNow,
  roundEnds,
  type Stroke,
} from '@hand-back/core'
import { useMemo, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayDone } from '../../ui/notices.ts'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { sayWhen } from '../../ui/when.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { measure } from '../draw/letters.ts'
import { PageTabs } from '../pages/PageTabs.tsx'
import { PageSurface } from '../surface/PageSurface.tsx'
import { usePast } from './usePast.ts'

interface LookBackProps {
  copy: CopyWhole
  store: CopyStore
  person: Person
  page: string
  photoUrl: (name: string) => string
  /** Left out: only to look. */
  writes: boolean
  onClose: () => void
}

/** Slides back through everything that happened to a copy; what was there can be brought back. */
export function LookBack(props: LookBackProps) {
  const { copy, store, person, onClose } = props
  const log = usePast(copy.id, store, person)
  return (
    <Dialog open onClose={onClose} title="Look back" wide>
      <Fetched of={log}>{(events) => <Past {...props} events={events} />}</Fetched>
    </Dialog>
  )
}

function Past({
  copy,
  store,
  person,
  page: opened,
  photoUrl,
  writes,
  onClose,
  events,
}: LookBackProps & { events: KeptEvent[] }) {
  const [page, setPage] = useState(opened)
  const ordered = useMemo(() => inOrder(events), [events])
  const [count, setCount] = useState(ordered.length)
  const then = useMemo(() => pagesAt(ordered, count), [ordered, count])
  const pages = useMemo(() => pagesNow(copy.pages, then), [copy.pages, then])
  const sheet = pages.find(({ id }) => id === page)
  const items = useMemo(() => inSight(then.get(page) ?? emptyPage).map(({ item }) => item), [then, page])
  const strokes = useMemo(() => items.filter((item): item is Stroke => item.kind === 'stroke'), [items])
  const drawn = useMemo(
    () => (sheet ? drawnPage(sheet, items, copy.id, measure) : []),
    [sheet, items, copy.id],
  )
  const moment = ordered[count - 1]?.keptAt
  if (ordered.length === 0) return <p className="text-ink-soft">Nothing has happened here yet.</p>
  const bring = () => {
    const now = store.view.getState().log.pages.get(page) ?? emptyPage
    const acts = bringBackTo(then.get(page) ?? emptyPage, now, person.id)
    const done: string[] = []
    store.together(() => {
      for (const act of acts) done.push(store.act(page, act))
    })
    if (done.length > 0) sayDone('Brought back as it was then.', () => store.undoThese(done))
    onClose()
  }
  return (
    <>
      <div className="relative flex h-[56vh] border border-rule">
        {sheet ? (
          <PageSurface
            page={sheet}
            drawn={drawn}
            strokes={strokes}
            photoUrl={photoUrl}
            writing={undefined}
            label="The page as it was then"
            name="past"
          />
        ) : (
          <p className="m-auto text-ink-soft">This page was not there then.</p>
        )}
        {pages.length > 1 && (
          <PageTabs
            count={pages.length}
            current={pages.findIndex(({ id }) => id === page)}
            onTurn={(index) => setPage(pages[index]!.id)}
          />
        )}
      </div>
      <label className="mt-4 flex items-center gap-4">
        <span className="tabular w-[190px] shrink-0 font-semibold" aria-live="polite">
          {moment === undefined ? 'before anything' : sayWhen(moment, true)}
        </span>
        <input
          type="range"
          aria-label="How far back"
          min={0}
          max={ordered.length}
          value={count}
          onChange={(event) => setCount(Number(event.target.value))}
          className="min-h-[44px] flex-1 accent-verdigris"
        />
      </label>
      <Rounds ordered={ordered} count={count} onChoose={setCount} />
      {writes && (
        <p className="mt-3 flex items-center justify-between gap-4">
          <span className="text-ink-soft">
            Only what is yours changes, only on this page. You can undo it.
          </span>
          <Button look="main" large disabled={count === ordered.length || !sheet} onClick={bring}>
            Bring this page back
          </Button>
        </p>
      )}
    </>
  )
}

interface RoundsProps {
  ordered: readonly KeptEvent[]
  count: number
  onChoose: (count: number) => void
}

/** One press to the end of each round, where there was more than one. */
function Rounds({ ordered, count, onChoose }: RoundsProps) {
  const ends = useMemo(() => roundEnds(ordered), [ordered])
  if (ends.length < 2) return null
  return (
    <OneOf
      label="The end of a round"
      value={ends.find((end) => end.count === count)?.round.toString()}
      onChoose={(round) => onChoose(ends.find((end) => end.round.toString() === round)!.count)}
      className="mt-2 flex flex-wrap gap-2"
    >
      {ends.map(({ round, count: end }) => (
        <Option
          key={round}
          value={String(round)}
          className={`min-h-[36px] rounded-tag border px-3 pointer-coarse:min-h-11 ${end === count ? 'border-ink bg-ink text-sheet' : 'border-rule bg-sheet hover:bg-blotter'}`}
        >
          The end of round {round}
        </Option>
      ))}
    </OneOf>
  )
}
