import type { AtWork, CopyRow, Doing } from '@hand-back/core'
import { Hand } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { Tick } from '../../ui/Tick.tsx'

/** Who does nothing for so many minutes is still, as one may choose. */
const STILL_CHOICES = [2, 4, 6, 10] as const
/** In which order it is told how many do what. */
const COUNTED: readonly (readonly [Doing, string])[] = [
  ['writing', 'writing'],
  ['here', 'looking at it'],
  ['still', 'still'],
  ['asks', 'asking for you'],
  ['away', 'at something else'],
  ['gone', 'out of reach'],
  ['not opened', 'not opened'],
  ['with you', 'with you'],
]

interface NeedsYouProps {
  waiting: readonly { readonly row: CopyRow; readonly of: AtWork; readonly words: string }[]
  doing: ReadonlyMap<string, Doing>
  stillAfter: number
  onStillAfter: (minutes: number) => void
  pale: boolean
  onPale: (pale: boolean) => void
  to: (copy: string) => string
  onHandDown: (copy: string) => void
  /** What is said to all of them. */
  children: ReactNode
}

/** Who waits for the teacher, and what the others do. */
export function NeedsYou(props: NeedsYouProps) {
  const { waiting, doing, stillAfter, onStillAfter, pale, onPale, to, onHandDown, children } = props
  const count = (what: Doing) => [...doing.values()].filter((each) => each === what).length
  return (
    <aside
      aria-label="The class"
      className="flex w-[272px] shrink-0 flex-col gap-6 overflow-y-auto border-l border-rule bg-card p-5 max-tablet:max-h-[36vh] max-tablet:w-full max-tablet:flex-row max-tablet:border-t max-tablet:border-l-0 max-tablet:[&>section]:flex-1"
    >
      {children}
      <section aria-labelledby="needs-you">
        <h2 id="needs-you" className="border-b border-rule pb-1.5 text-lg">
          Needs you
        </h2>
        {waiting.length === 0 && <p className="py-2 text-ink-soft">Nobody just now.</p>}
        <ul>
          {waiting.map(({ row, of, words }) => (
            <li key={row.id} className="flex min-h-[44px] items-center gap-2 border-b border-rule py-1">
              <Link to={to(row.id)} className="min-w-0 flex-1 text-ink no-underline hover:underline">
                <b className="block truncate">{row.name}</b>
                <span className="text-ochre">{words}</span>
              </Link>
              {of.handUpAt !== undefined && (
                <Button
                  look="quiet"
                  aria-label={`Take down the hand of ${row.name}`}
                  title="Take the hand down"
                  className="px-2"
                  onClick={() => onHandDown(row.id)}
                >
                  <Hand size={18} aria-hidden="true" />
                </Button>
              )}
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="border-b border-rule pb-1.5 text-lg">The class</h2>
        <dl>
          {COUNTED.filter(([what]) => count(what) > 0).map(([what, words]) => (
            <div key={what} className="flex justify-between border-b border-rule py-1.5">
              <dt>{words}</dt>
              <dd className="tabular font-semibold">{count(what)}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section className="grid content-start gap-2">
        <Tick ticked={pale} onTick={onPale}>
          Only who waits stands out
        </Tick>
        <label className="grid gap-1">
          Still counts after
          <select
            value={stillAfter}
            onChange={(event) => onStillAfter(Number(event.target.value))}
            className="min-h-[38px] rounded-tag border border-ink-soft/60 bg-sheet px-2 pointer-coarse:min-h-11"
          >
            {STILL_CHOICES.map((minutes) => (
              <option key={minutes} value={minutes}>
                {minutes} minutes
              </option>
            ))}
          </select>
        </label>
      </section>
    </aside>
  )
}
