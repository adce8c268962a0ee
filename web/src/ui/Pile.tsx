import type { CopyState } from '@hand-back/core'

/** What waits for the teacher stands in front. */
const ORDER: CopyState[] = ['handed in', 'handed back', 'another go', 'working', 'waiting']
const EDGE = 6
const HEIGHT = 44
const MOST_EDGES = 40

const LOOK: Record<CopyState, { fill: string; stroke: string; dash?: string }> = {
  'handed in': { fill: 'var(--color-ink)', stroke: 'var(--color-ink)' },
  'handed back': { fill: 'var(--color-madder)', stroke: 'var(--color-madder)' },
  'another go': { fill: 'var(--color-sheet)', stroke: 'var(--color-madder)' },
  working: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink)' },
  waiting: { fill: 'var(--color-card)', stroke: 'var(--color-ink-soft)', dash: '2 2' },
}

/** A hand-out as stacked sheet edges, one edge a copy: its thickness is the work that waits. */
export function Pile({ states }: { states: readonly CopyState[] }) {
  const sorted = [...states].sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b)).slice(0, MOST_EDGES)
  const width = sorted.length * EDGE + 8
  return (
    <svg
      width={Math.min(width, 152)}
      height={HEIGHT + 6}
      viewBox={`0 0 ${width} ${HEIGHT + 6}`}
      preserveAspectRatio="xMinYMid meet"
      aria-hidden="true"
    >
      {sorted.map((state, index) => {
        const { fill, stroke, dash } = LOOK[state]
        const x = index * EDGE + 1
        // Sheets never lie quite straight: a lean that repeats every five.
        const lean = ((index * 7) % 5) * 0.6
        return (
          <path
            key={index}
            d={`M${x} ${5 + lean}l4-2v${HEIGHT - 5}l-4 2z`}
            fill={fill}
            stroke={stroke}
            strokeWidth="1"
            strokeDasharray={dash}
          />
        )
      })}
    </svg>
  )
}
