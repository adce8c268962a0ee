import { useState } from 'react'

interface GoToPageProps {
  count: number
  current: number
  onTurn: (index: number) => void
}

/** The number of the page one is on, among many; another one typed over it is turned to. */
export function GoToPage({ count, current, onTurn }: GoToPageProps) {
  const [typed, setTyped] = useState<string>()
  const go = () => {
    const page = Number(typed)
    setTyped(undefined)
    if (typed && Number.isInteger(page) && page >= 1) onTurn(Math.min(page, count) - 1)
  }
  return (
    <form
      data-takes="all"
      className="flex shrink-0 flex-col items-center"
      onSubmit={(event) => {
        event.preventDefault()
        go()
      }}
    >
      <input
        inputMode="numeric"
        aria-label={`Page, of ${count}: type another number to go there`}
        title="Type a page’s number to go there"
        maxLength={4}
        value={typed ?? String(current + 1)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value.replace(/\D/g, ''))}
        onBlur={go}
        className="tabular h-11 w-[44px] rounded-tag border border-ink-soft/60 bg-sheet text-center font-serif text-lg"
      />
      <span aria-hidden="true" className="tabular text-sm text-ink-soft">
        of {count}
      </span>
    </form>
  )
}
