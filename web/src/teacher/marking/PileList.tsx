import type { CopyRow, CopySum } from '@hand-back/core'
import { Check } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Corner, STATE_WORDS } from '../../ui/Corner.tsx'
import { RowButton } from '../../ui/RowButton.tsx'
import { Given } from './Given.tsx'
import { isReviewed } from './pileOrder.ts'

/** Every copy of the hand-out, one press away. */
export function PileList({
  pile,
  sums,
  current,
  reviewed,
  of,
  onOpen,
}: {
  pile: readonly CopyRow[]
  /** What the copies were given so far. */
  sums: readonly CopySum[]
  current: string
  /** How many of those that are handed in are reviewed. */
  reviewed: number
  of: number
  onOpen: (copy: CopyRow) => void
}) {
  const here = useRef<HTMLButtonElement>(null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: it follows the current copy
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest' })
  }, [current])
  return (
    <nav
      aria-label="Pile"
      className="w-[216px] shrink-0 overflow-y-auto border-r border-rule bg-card py-2 max-tablet:w-[60px]"
    >
      {of > 0 && (
        <p
          title={`${reviewed} of ${of} handed in are reviewed`}
          className="tabular border-b border-rule px-3 pb-1.5 text-ink-soft max-tablet:px-1 max-tablet:text-center"
        >
          <b className="text-ink">{reviewed}</b> of <b className="text-ink">{of}</b>{' '}
          <span className="max-tablet:sr-only">reviewed</span>
        </p>
      )}
      <ul>
        {pile.map((copy) => (
          <li key={copy.id}>
            <RowButton
              ref={copy.id === current ? here : undefined}
              here={copy.id === current}
              tone="madder"
              aria-current={copy.id === current ? 'true' : undefined}
              aria-label={`${copy.name}, ${STATE_WORDS[copy.state]}${copy.state === 'handed in' && isReviewed(copy, sums) ? ', reviewed' : ''}`}
              title={STATE_WORDS[copy.state]}
              onClick={() => onOpen(copy)}
              className="min-h-[36px] items-center gap-2.5 px-3"
            >
              <Corner state={copy.state} />
              <span className="min-w-0 flex-1 truncate max-tablet:hidden">{copy.name}</span>
              <span className="max-tablet:hidden">
                <Given sum={sums.find((sum) => sum.copy === copy.id)} />
              </span>
              {isReviewed(copy, sums) && copy.state === 'handed in' && (
                <Check size={16} role="img" aria-label="reviewed" className="shrink-0 text-madder" />
              )}
              {copy.markingBegan && !isReviewed(copy, sums) && copy.state === 'handed in' && (
                <svg width="20" height="12" aria-hidden="true" className="max-tablet:hidden">
                  <path
                    d="M1 8c3-7 5 4 8-1s5 2 9-3"
                    fill="none"
                    stroke="var(--color-madder)"
                    strokeWidth="2"
                    strokeLinecap="round"
                  />
                </svg>
              )}
            </RowButton>
          </li>
        ))}
      </ul>
    </nav>
  )
}
