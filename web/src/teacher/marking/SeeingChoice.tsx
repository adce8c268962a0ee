const CHOICES = [
  ['sheet', 'Sheet'],
  ['work', 'Work'],
  ['all', 'All'],
] as const

/** What to see: the printed sheet alone, the student's work on it, or all with the feedback. */
export type Seeing = (typeof CHOICES)[number][0]

export function SeeingChoice({ seeing, onChange }: { seeing: Seeing; onChange: (seeing: Seeing) => void }) {
  return (
    <fieldset className="flex overflow-hidden rounded-tag border border-ink-soft/60" aria-label="What to see">
      {CHOICES.map(([value, name]) => (
        <button
          key={value}
          type="button"
          aria-pressed={seeing === value}
          onClick={() => onChange(value)}
          className={`min-h-[36px] px-3 font-semibold ${seeing === value ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-blotter'}`}
        >
          {name}
        </button>
      ))}
    </fieldset>
  )
}
