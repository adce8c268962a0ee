import type { Untouched as Left } from '@hand-back/core'
import { useMemo } from 'react'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { RowButton } from '../ui/RowButton.tsx'

interface UntouchedProps {
  left: readonly Left[]
  onTurn: (page: string) => void
  onHandIn: () => void
  onClose: () => void
}

/** What nobody touched yet, before a copy is handed in. */
export function Untouched({ left, onTurn, onHandIn, onClose }: UntouchedProps) {
  return (
    <Dialog open onClose={onClose} title="Still empty">
      <LeftList
        left={left}
        onTurn={(page) => {
          onClose()
          onTurn(page)
        }}
      />
      <div className="mt-5 flex flex-wrap justify-between gap-3">
        <Button large onClick={onClose}>
          Go on working
        </Button>
        <Button
          look="main"
          large
          onClick={() => {
            onClose()
            onHandIn()
          }}
        >
          Hand in anyway
        </Button>
      </div>
    </Dialog>
  )
}

/** The most places of one page that are named. */
const MOST_NAMED = 4

function LeftList({ left, onTurn }: { left: readonly Left[]; onTurn: (page: string) => void }) {
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

function wordsFor({ blank, places }: Left): string {
  const named = places.filter(({ label }) => label !== '').map(({ label }) => label)
  const count = `${places.length} ${places.length === 1 ? 'place' : 'places'} for an answer`
  const list = named.slice(0, MOST_NAMED).join(', ')
  const which = named.length === places.length && named.length <= MOST_NAMED ? list : count
  if (places.length === 0) return 'nothing on it yet'
  return blank ? `nothing on it yet; ${which}` : which
}
