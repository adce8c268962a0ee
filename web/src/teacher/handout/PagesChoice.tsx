import type { Deal, Sheet } from '@hand-back/core'
import { Shuffle } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'

interface PagesChoiceProps {
  sheet: Sheet
  /** Pages can be dealt: each gets a copy of their own. */
  canDeal: boolean
  deal: Deal | undefined
  /** Only these pages; nothing: all. */
  only: readonly string[] | undefined
  onChoose: (chosen: { deal: Deal | undefined; only: string[] | undefined }) => void
}

const newSeed = () => Math.floor(Math.random() * 2 ** 31)

/** Which pages each gets: the same (with those of their set), some of them only, or different ones, dealt like cards. */
export function PagesChoice({ sheet, canDeal, deal, only, onChoose }: PagesChoiceProps) {
  const count = sheet.pages.filter(({ sets }) => !sets).length
  if (sheet.pages.length < 2) return null
  const onDeal = (to: Deal) => onChoose({ deal: to, only: undefined })
  const input = 'min-h-[38px] rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1'
  const choice = (on: boolean, title: string, choose: () => void) => (
    <label className="flex min-h-[38px] cursor-pointer items-center gap-2.5">
      <input
        type="radio"
        name="pages"
        checked={on}
        onChange={choose}
        className="h-[18px] w-[18px] accent-verdigris"
      />
      {title}
    </label>
  )
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">Which pages?</legend>
      {choice(
        !deal && !only,
        sheet.sets.length > 0
          ? 'The pages for everyone, and those of their set'
          : 'The same pages for everybody',
        () => onChoose({ deal: undefined, only: undefined }),
      )}
      {choice(only !== undefined, 'Only some pages', () =>
        onChoose({ deal: undefined, only: [sheet.pages[0]!.id] }),
      )}
      {only && (
        <SomePages sheet={sheet} only={only} onOnly={(to) => onChoose({ deal: undefined, only: to })} />
      )}
      {canDeal &&
        count > 1 &&
        choice(deal !== undefined, 'Deal: different pages for each', () =>
          onDeal({ pages: 1, mixed: true, seed: newSeed() }),
        )}
      {deal && (
        <div className="mt-1 ml-7 flex flex-wrap items-center gap-2">
          <input
            type="number"
            aria-label="Pages for each"
            min={1}
            max={count}
            value={deal.pages}
            onChange={(event) =>
              onDeal({
                ...deal,
                pages: Math.max(1, Math.min(count, Math.floor(event.target.valueAsNumber) || 1)),
              })
            }
            className={`${input} tabular w-[64px]`}
          />
          <span>
            {deal.pages === 1 ? 'page' : 'pages'} of {count} for each,
          </span>
          <select
            aria-label="In which order"
            value={deal.mixed ? 'mixed' : 'order'}
            onChange={(event) => onDeal({ ...deal, mixed: event.target.value === 'mixed' })}
            className={input}
          >
            <option value="mixed">at random</option>
            <option value="order">in the order of names</option>
          </select>
          {deal.mixed && (
            <Button onClick={() => onDeal({ ...deal, seed: newSeed() })}>
              <Shuffle size={17} aria-hidden="true" /> Mix again
            </Button>
          )}
        </div>
      )}
    </fieldset>
  )
}

/** Which pages go out: one press each. At least one does. */
function SomePages({
  sheet,
  only,
  onOnly,
}: {
  sheet: Sheet
  only: readonly string[]
  onOnly: (only: string[]) => void
}) {
  const toggle = (id: string) => {
    const next = only.includes(id) ? only.filter((each) => each !== id) : [...only, id]
    if (next.length > 0) onOnly(sheet.pages.map((page) => page.id).filter((page) => next.includes(page)))
  }
  return (
    <div className="mt-1 mb-2 ml-7 flex flex-wrap gap-1.5">
      {sheet.pages.map(({ id }, index) => (
        <button
          key={id}
          type="button"
          aria-label={`Page ${index + 1}`}
          aria-pressed={only.includes(id)}
          onClick={() => toggle(id)}
          className={`min-h-[38px] min-w-[38px] rounded-tag border font-serif font-semibold pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${only.includes(id) ? 'border-ink bg-sheet shadow-[inset_0_-3px_0_var(--color-verdigris)]' : 'border-rule bg-card hover:bg-blotter'}`}
        >
          {index + 1}
        </button>
      ))}
    </div>
  )
}
