import type { CopyWhole, Person, WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import { apiUrl } from '../../seat.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { bitmapsFor } from '../draw/bitmaps.ts'
import { FromPaper, LookBack, PagesDialog, PrintDialog, SaveDialog } from './parts.ts'
import type { Work } from './useWork.ts'
import type { Seen } from './useWriting.ts'

/** What is opened over a page that one works on. */
export type Over = 'pages' | 'past' | 'print' | 'paper' | 'save'

interface OverPageProps {
  over: Over | undefined
  copy: CopyWhole
  store: CopyStore
  person: Person
  pages: readonly WorksheetPage[]
  index: number
  seen: Seen
  work: Work
  photoUrl: (name: string) => string
  /** The page takes work now; … */
  writes: boolean
  /** … and all of the copy does, not only the questions of this go. */
  writesAll: boolean
  onTurn: (page: string) => void
  onClose: () => void
}

/** All pages, the past, paper, saving: what a page has besides itself, opened one at a time. */
export function OverPage(props: OverPageProps) {
  const { over, copy, store, person, pages, index, seen, work, photoUrl, onTurn, onClose } = props
  const { writes, writesAll } = props
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  const page = pages[index]!
  const pdf = apiUrl(`/copies/${copy.id}/pdf`)
  switch (over) {
    case 'pages':
      return (
        <PagesDialog
          {...{ store, pages, index, person, photoUrl, onTurn, onClose }}
          printed={copy.pages}
          copy={copy.id}
          writes={writesAll}
        />
      )
    case 'paper':
      return (
        <FromPaper
          on={{
            ...{ copy: copy.id, person: person.id, store, page, pages, turnToPage: onTurn },
            ...{ printed: copy.pages, placed: seen.placed, part: work.seenPart, pick: work.picking.pick },
          }}
          onClose={onClose}
        />
      )
    case 'save':
      return (
        <SaveDialog
          seen={{
            ...{ page, items: seen.items, copy: copy.id, bitmaps },
            name: `${copy.title} ${index + 1}`.replace(/[^\p{L}\p{N} .-]+/gu, ' ').trim(),
          }}
          pdf={pdf}
          onInk={writes ? (ink) => store.add(page.id, ink) : undefined}
          onClose={onClose}
        />
      )
    case 'print':
      return (
        <PrintDialog
          title="For paper"
          address={pdf}
          choice={{ full: 'The pages with what is on them', empty: 'The empty pages' }}
          head="Name, class and page at the head of each page"
          codes
          onClose={onClose}
        />
      )
    case 'past':
      return <LookBack {...{ copy, store, person, photoUrl, onClose }} page={page.id} writes={writesAll} />
    case undefined:
      return null
  }
}
