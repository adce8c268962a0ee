import type { Deal, Sheet } from '@hand-back/core'
import { Shuffle } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'

interface PagesChoiceProps {
  sheet: Sheet
  deal: Deal | undefined
  onDeal: (deal: Deal | undefined) => void
}

const newSeed = () => Math.floor(Math.random() * 2 ** 31)

/** Which pages each gets: the same (with those of their set), or different ones, dealt like cards. */
export function PagesChoice({ sheet, deal, onDeal }: PagesChoiceProps) {
  const count = sheet.pages.filter(({ sets }) => !sets).length
  if (count < 2) return null
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
        !deal,
        sheet.sets.length > 0
          ? 'The pages for everyone, and those of their set'
          : 'The same pages for everybody',
        () => onDeal(undefined),
      )}
      {choice(deal !== undefined, 'Deal: different pages for each', () =>
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
