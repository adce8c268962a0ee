/** The pages of a copy as tabs at its side. */
export function PageTabs({
  count,
  current,
  onTurn,
  marked,
}: {
  count: number
  current: number
  onTurn: (index: number) => void
  marked?: ReadonlySet<number>
}) {
  if (count < 2) return null
  return (
    <nav
      aria-label="Pages"
      className="absolute top-4 right-0 flex max-h-[calc(100%-2rem)] flex-col gap-1.5 overflow-y-auto py-1 pl-1"
    >
      {Array.from({ length: count }, (_, index) => {
        const here = index === current
        return (
          <button
            key={index}
            type="button"
            aria-label={`Page ${index + 1}${marked?.has(index) ? ', written on' : ''}`}
            aria-current={here ? 'page' : undefined}
            onClick={() => onTurn(index)}
            className={`relative min-h-[48px] shrink-0 rounded-l-md border border-r-0 border-rule font-serif text-lg font-semibold ${here ? 'w-[52px] bg-sheet shadow-[0_1px_5px_rgb(30_43_58/0.2)]' : 'w-[44px] self-end bg-card text-ink-soft hover:bg-sheet'}`}
          >
            {index + 1}
            {marked?.has(index) && (
              <span aria-hidden="true" className="absolute right-3 bottom-2 left-3 h-[2px] bg-slate" />
            )}
          </button>
        )
      })}
    </nav>
  )
}
