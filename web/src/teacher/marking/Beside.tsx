import {
  type CopyRow,
  emptyPage,
  type HandoutWhole,
  type Item,
  inSight,
  type Person,
  pageOf,
  pagesAt,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { type ReactNode, useCallback, useMemo } from 'react'
import { Link } from 'react-router'
import { useStore } from 'zustand'
import { queries } from '../../api/queries.ts'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { useCopy } from '../../page/copy/useCopy.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { PageSurface } from '../../page/surface/PageSurface.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { Fetched, Loading } from '../../ui/Notice.tsx'
import { asked } from '../asked.ts'
import { BesideChoice, WORKED } from './BesideChoice.tsx'

interface BesideProps {
  handout: HandoutWhole
  /** What stands beside: the id of a copy, or `WORKED`. */
  beside: string
  onBeside: (beside: string | undefined) => void
  /** The copy that is marked. */
  row: CopyRow
  /** The page that is shown of it. */
  page: WorksheetPage
  person: Person
}

/** Another copy, or the worked one, beside the copy that is marked: the same page of it, only to be seen. */
export function Beside({ handout, beside, onBeside, row, page, person }: BesideProps) {
  return (
    <section
      aria-label="Side by side"
      className="flex min-w-0 flex-[2] flex-col border-r-4 border-rule max-tablet:max-h-[44%] max-tablet:border-r-0 max-tablet:border-b-4"
    >
      <div className="flex shrink-0 items-center gap-2 border-b border-rule bg-card px-3 py-1">
        <BesideChoice handout={handout} row={row} beside={beside} onBeside={onBeside} />
        <span className="flex-1" />
        <IconButton icon={X} label="Close what stands beside" onClick={() => onBeside(undefined)} />
      </div>
      {beside === WORKED ? (
        <WorkedBeside handout={handout} page={page} />
      ) : (
        <CopyBeside key={beside} id={beside} page={page} person={person} />
      )}
    </section>
  )
}

function WorkedBeside({ handout, page }: { handout: HandoutWhole; page: WorksheetPage }) {
  const worked = useQuery({ ...asked.workedOfHandout(handout.id), staleTime: 0 })
  return (
    <Fetched of={worked}>
      {(events) =>
        events.length === 0 ? (
          <Note>
            There is no worked copy of this worksheet yet.{' '}
            {handout.ownsWorksheet && (
              <Link to={`/worksheet/${handout.worksheetId}/worked`}>Work it out</Link>
            )}
          </Note>
        ) : (
          <SeenBeside
            copy={handout.worksheetId}
            page={page}
            items={inSight(pagesAt(events, events.length).get(page.id) ?? emptyPage).map(({ item }) => item)}
          />
        )
      }
    </Fetched>
  )
}

function CopyBeside({ id, page, person }: { id: string; page: WorksheetPage; person: Person }) {
  const whole = useQuery(queries.copy(id))
  const store = useCopy(whole.data, person, 'feedback')
  if (!whole.data || !store) return <Fetched of={whole}>{() => <Loading />}</Fetched>
  // Pages are laid in and dealt: another copy need not have this one.
  const has = whole.data.pages.some((each) => each.id === page.id)
  if (!has) return <Note>This copy does not have the page.</Note>
  return <OpenBeside id={id} store={store} page={page} person={person} />
}

function OpenBeside({
  id,
  store,
  page,
  person,
}: {
  id: string
  store: CopyStore
  page: WorksheetPage
  person: Person
}) {
  const log = useStore(store.view, (copy) => copy.log)
  const items = useMemo(() => inSight(pageOf(log, page.id)).map(({ item }) => item), [log, page.id])
  const bytesOf = useCallback((name: string) => outboxOf(person.id).bytesOf(name), [person.id])
  return <SeenBeside copy={id} page={page} items={items} photoUrl={usePhotos(id, bytesOf)} />
}

interface SeenBesideProps {
  copy: string
  page: WorksheetPage
  items: readonly Item[]
  photoUrl?: (name: string) => string
}

function SeenBeside({ copy, page, items, photoUrl }: SeenBesideProps) {
  const drawn = useDrawnToRead({ id: copy }, page, items)
  const strokes = useMemo(() => items.filter((item): item is Stroke => item.kind === 'stroke'), [items])
  return (
    <div className="relative flex min-h-0 flex-1">
      <PageSurface
        page={page}
        drawn={drawn}
        strokes={strokes}
        {...(photoUrl ? { photoUrl } : {})}
        writing={undefined}
        label="The same page, beside it"
        name="beside"
      />
    </div>
  )
}

const Note = ({ children }: { children: ReactNode }) => <p className="m-auto p-6 text-ink-soft">{children}</p>
