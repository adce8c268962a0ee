import type { Way } from '@hand-back/core'
import type { ReactNode } from 'react'

const Sheet = ({ x, y, colour }: { x: number; y: number; colour: string }) => (
  <g>
    <path d={`M${x} ${y}h11l4 4v15h-15z`} fill="var(--color-sheet)" stroke="var(--color-ink-soft)" />
    <path
      d={`M${x + 3} ${y + 12}q2 -4 4 0t4 0`}
      fill="none"
      stroke={colour}
      strokeWidth="1.6"
      strokeLinecap="round"
    />
  </g>
)
const BLUE = '#2457a6'
const GREEN = '#2e7d46'
const PLUM = '#7a2e8a'

const WAYS: readonly { way: Way; title: string; about: string; drawing: ReactNode }[] = [
  {
    way: 'own',
    title: 'Each their own copy',
    about: 'Nobody sees another’s.',
    drawing: (
      <>
        <Sheet x={4} y={6} colour={BLUE} />
        <Sheet x={25} y={6} colour={GREEN} />
        <Sheet x={46} y={6} colour={PLUM} />
      </>
    ),
  },
  {
    way: 'group',
    title: 'One for each group',
    about: 'A group works on one copy together.',
    drawing: (
      <>
        <Sheet x={12} y={6} colour={BLUE} />
        <Sheet x={39} y={6} colour={GREEN} />
        <path
          d="M8 31h24M36 31h24"
          stroke="var(--color-ink)"
          strokeWidth="2.5"
          strokeDasharray="2.5 4"
          strokeLinecap="round"
        />
      </>
    ),
  },
  {
    way: 'all',
    title: 'One for all',
    about: 'Everybody writes on the same pages.',
    drawing: (
      <>
        <Sheet x={25} y={4} colour={BLUE} />
        <path
          d="M14 31h38"
          stroke="var(--color-ink)"
          strokeWidth="2.5"
          strokeDasharray="2.5 4"
          strokeLinecap="round"
        />
      </>
    ),
  },
  {
    way: 'read',
    title: 'To read',
    about: 'Nobody writes on it. It can be talked about with pins.',
    drawing: (
      <g>
        <path d="M25 6h11l4 4v15h-15z" fill="var(--color-sheet)" stroke="var(--color-ink-soft)" />
        <path d="M28 14h9M28 18h9M28 22h6" stroke="var(--color-ink-soft)" />
      </g>
    ),
  },
]

/** How it goes out: four outcomes, drawn. */
export function WayChoice({ way, onChange }: { way: Way; onChange: (way: Way) => void }) {
  return (
    <fieldset>
      <legend className="mb-2 font-semibold">How?</legend>
      <div className="grid grid-cols-2 gap-2 wide:grid-cols-4">
        {WAYS.map((each) => (
          <label
            key={each.way}
            className={`flex cursor-pointer flex-col gap-1 rounded-md border bg-card p-3 ${each.way === way ? 'border-ink outline-2 outline-ink' : 'border-rule hover:border-ink-soft'} has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-verdigris`}
          >
            <input
              type="radio"
              name="way"
              className="sr-only"
              checked={each.way === way}
              onChange={() => onChange(each.way)}
            />
            <svg width="66" height="36" viewBox="0 0 66 36" aria-hidden="true">
              {each.drawing}
            </svg>
            <b className="leading-tight">{each.title}</b>
            <span className="text-ink-soft">{each.about}</span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}
