import { useDroppable } from '@dnd-kit/core'
import type { ReactNode } from 'react'
import { sayCopies } from './HeapCard.tsx'

interface LooseProps {
  /** Some lie in heaps: it is said that these do not. */
  head: boolean
  count: number
  /** What looks alike is being found. */
  reckons: boolean
  children: ReactNode
}

/** The answers that lie in no heap. */
export function Loose({ head, count, reckons, children }: LooseProps) {
  const { setNodeRef, isOver } = useDroppable({ id: 'none' })
  return (
    <section
      ref={setNodeRef}
      aria-label="Not in a heap yet"
      data-scrolls
      className={`min-w-0 flex-1 overflow-y-auto bg-blotter p-3 will-change-transform ${head ? 'border-l border-rule' : ''} ${isOver ? 'outline outline-2 outline-rule -outline-offset-4' : ''}`}
    >
      <p className={`flex items-baseline gap-3 ${head ? 'mb-2' : ''}`}>
        {head && <b className="font-serif text-lg">Not in a heap yet</b>}
        {head && <span className="text-ink-soft">{sayCopies(count)}</span>}
        {reckons && (
          <span role="status" className="text-small text-ink-soft">
            looking which are alike …
          </span>
        )}
      </p>
      {children}
    </section>
  )
}
