import { emptyPage, inSight, type Person, type Ruling, type WorksheetPage } from '@hand-back/core'
import { ArrowLeft, ArrowRight, X } from 'lucide-react'
import { useCallback, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import type { CopyStore } from '../copy/copyStore.ts'
import { PaperThumb } from './PaperThumb.tsx'
import { RulingGrid } from './RulingGrid.tsx'
import { isOwn, layIn, makeRoom, shiftPage, takeOut } from './roomActs.ts'
import { RULINGS, rulingCalled } from './rulings.ts'

/** Papers that are laid in most; all others are a press away. */
const USUAL = ['Plain', 'Ruled', 'Handwriting', 'Squared 5 mm', 'Dotted']

interface PagesDialogProps {
  store: CopyStore
  /** The pages as they were handed out. */
  printed: readonly WorksheetPage[]
  pages: readonly WorksheetPage[]
  index: number
  person: Person
  copy: string
  photoUrl: (name: string) => string
  /** Left out: only to look and to turn. */
  writes: boolean
  onTurn: (page: string) => void
  onClose: () => void
}

/** All pages at a glance; more room on the one in hand, new pages after it, one’s own moved or taken out. */
export function PagesDialog({
  store,
  printed,
  pages,
  index,
  person,
  copy,
  photoUrl,
  writes,
  onTurn,
  onClose,
}: PagesDialogProps) {
  const log = useStore(store.view, ({ log: { pages: of } }) => of)
  const page = pages[index]!
  const works = useMemo(
    () =>
      pages.map(({ id }) => ({
        copy,
        photoUrl,
        items: inSight(log.get(id) ?? emptyPage).map(({ item }) => item),
      })),
    [pages, log, copy, photoUrl],
  )
  const [all, setAll] = useState(false)
  const here = useCallback((button: HTMLElement | null) => button?.scrollIntoView({ block: 'center' }), [])
  const layNext = (ruling: Ruling) => {
    onTurn(layIn(store, printed, pages, page, ruling))
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Pages" wide>
      {writes && (
        <div className="mb-5 grid gap-3 rounded-md border border-rule bg-sheet p-3">
          <p className="flex flex-wrap items-center gap-2">
            <b className="min-w-[130px]">Page {index + 1}: more room</b>
            <Button large onClick={() => makeRoom(store, page, 'foot') && onClose()}>
              Longer
            </Button>
            <Button large onClick={() => makeRoom(store, page, 'side') && onClose()}>
              Wider
            </Button>
          </p>
          <p className="flex flex-wrap items-center gap-2">
            <b className="min-w-[130px]">A new page after it</b>
            {(all ? [] : USUAL).map((name) => (
              <Button key={name} large onClick={() => layNext(rulingCalled(name))}>
                {name}
              </Button>
            ))}
            <Button look="quiet" large aria-expanded={all} onClick={() => setAll(!all)}>
              Other papers
            </Button>
          </p>
          {all && <RulingGrid onChoose={(at) => layNext(RULINGS[at]![1])} />}
        </div>
      )}
      <ul className="flex flex-wrap gap-x-5 gap-y-5">
        {pages.map((each, at) => {
          const own = writes && isOwn(log, each.id, person.id)
          return (
            <li key={each.id} className="flex w-[132px] flex-col items-center gap-1.5">
              <button
                ref={at === index ? here : undefined}
                type="button"
                aria-label={`Page ${at + 1}`}
                aria-current={at === index ? 'page' : undefined}
                onClick={() => {
                  onTurn(each.id)
                  onClose()
                }}
                className={`relative rounded-tag p-1 ${at === index ? 'outline outline-[3px] outline-ink' : 'hover:outline hover:outline-2 hover:outline-ink-soft'}`}
              >
                <PaperThumb page={each} width={120} label="" work={works[at]!} />
              </button>
              <span className="tabular font-semibold">{at + 1}</span>
              {own && (
                <span className="flex gap-1">
                  <IconButton
                    icon={ArrowLeft}
                    label={`Page ${at + 1} earlier`}
                    onClick={() => shiftPage(store, pages, each.id, -1)}
                    disabled={at === 0}
                  />
                  <IconButton
                    icon={ArrowRight}
                    label={`Page ${at + 1} later`}
                    onClick={() => shiftPage(store, pages, each.id, 1)}
                    disabled={at === pages.length - 1}
                  />
                  <IconButton
                    icon={X}
                    label={`Remove page ${at + 1}`}
                    onClick={() => {
                      if (at === index) onTurn(pages[at === 0 ? 1 : at - 1]!.id)
                      takeOut(store, each.id)
                    }}
                    disabled={pages.length === 1}
                  />
                </span>
              )}
            </li>
          )
        })}
      </ul>
    </Dialog>
  )
}
