import type { CopyState } from '@hand-back/core'

/** The words that stand with a state, everywhere the same. */
export const STATE_WORDS: Record<CopyState, string> = {
  waiting: 'not opened',
  working: 'working',
  'handed in': 'handed in',
  'handed back': 'handed back',
  'another go': 'another go',
}

const FOLDED = 'M2.5 1.5h8.5l4.5 4.5v12.5h-13z'
const LINE = 'M5 12c1.3-2.2 2.6 2.2 4 0s2.6-2.2 4 0'

/** A copy as a small sheet whose corner tells its state. Drawn, not told: the word stands beside it. */
export function Corner({ state, size = 18 }: { state: CopyState; size?: number }) {
  const back = state === 'handed back' || state === 'another go'
  const tone = state === 'waiting' ? 'text-ink-soft' : back ? 'text-madder' : 'text-ink'
  return (
    <svg
      width={size}
      height={(size * 20) / 18}
      viewBox="0 0 18 20"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.6"
      strokeLinejoin="round"
      className={`shrink-0 ${tone}`}
      aria-hidden="true"
    >
      {state === 'waiting' && <path d="M2.5 1.5h13v17h-13z" strokeDasharray="2.5 2" />}
      {state === 'working' && <path d="M2.5 1.5h13v17h-13z" />}
      {state !== 'waiting' && state !== 'working' && <path d={FOLDED} />}
      {/* Folded forward: the corner lies on the sheet. Folded back: it shows its other side. */}
      {state === 'handed in' && <path d="M11 1.5v4.5h4.5z" fill="currentColor" />}
      {back && <path d="M11 1.5 17 .8 15.5 6z" fill="currentColor" strokeWidth="1" />}
      {(state === 'working' || state === 'another go') && (
        <path d={LINE} strokeWidth="1.5" strokeLinecap="round" />
      )}
    </svg>
  )
}

/** A state in picture and word, with a count where one is given. */
export function StateTag({ state, count }: { state: CopyState; count?: number }) {
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <Corner state={state} />
      {count !== undefined && <b className="tabular">{count}</b>}
      <span>{STATE_WORDS[state]}</span>
    </span>
  )
}
