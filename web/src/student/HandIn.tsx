import { type Untouched, untouchedIn, type WorksheetPage } from '@hand-back/core'
import { useMemo, useState } from 'react'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { RowButton } from '../ui/RowButton.tsx'

interface HandInProps {
  copy: string
  store: CopyStore
  pages: readonly WorksheetPage[]
  busy: boolean
  onHandIn: () => void
  onTurn: (page: string) => void
}

/** Handing in: what nobody touched yet is shown first; it can be handed in all the same. */
export function HandIn({ copy, store, pages, busy, onHandIn, onTurn }: HandInProps) {
  const [left, setLeft] = useState<readonly Untouched[]>()
  const press = () => {
    const untouched = untouchedIn(pages, store.view.getState().log.pages, copy)
    if (untouched.length === 0) onHandIn()
    else setLeft(untouched)
  }
  return (
    <>
      <Button look="main" large onClick={press} disabled={busy} className="shrink-0 whitespace-nowrap">
        {busy ? 'Handing in …' : 'Hand in'}
      </Button>
      {left && (
        <Dialog open onClose={() => setLeft(undefined)} title="Not touched yet">
          <LeftList
            left={left}
            onTurn={(page) => {
              setLeft(undefined)
              onTurn(page)
            }}
          />
          <div className="mt-5 flex flex-wrap justify-between gap-3">
            <Button large onClick={() => setLeft(undefined)}>
              Go on working
            </Button>
            <Button
              look="main"
              large
              onClick={() => {
                setLeft(undefined)
                onHandIn()
              }}
            >
              Hand in all the same
            </Button>
          </div>
        </Dialog>
      )}
    </>
  )
}

/** The most places of one page that are named. */
const MOST_NAMED = 4

function LeftList({ left, onTurn }: { left: readonly Untouched[]; onTurn: (page: string) => void }) {
  const rows = useMemo(() => left.map((each) => ({ ...each, words: wordsFor(each) })), [left])
  return (
    <ul className="grid max-h-[50vh] gap-1.5 overflow-y-auto">
      {rows.map(({ page, number, words }) => (
        <li key={page}>
          <RowButton
            onClick={() => onTurn(page)}
            className="min-h-[48px] items-center gap-3 rounded-tag border border-rule bg-sheet px-3 py-2 hover:border-ink-soft"
          >
            <b className="font-serif text-lg whitespace-nowrap">Page {number}</b>
            <span className="text-ink-soft">{words}</span>
          </RowButton>
        </li>
      ))}
    </ul>
  )
}

function wordsFor({ blank, places }: Untouched): string {
  const named = places.filter(({ label }) => label !== '').map(({ label }) => label)
  const count = `${places.length} ${places.length === 1 ? 'place' : 'places'} for an answer`
  const list = named.slice(0, MOST_NAMED).join(', ')
  const which = named.length === places.length && named.length <= MOST_NAMED ? list : count
  if (places.length === 0) return 'nothing on it yet'
  return blank ? `nothing on it yet; ${which}` : which
}
