import { OneOf, Option } from '../../ui/OneOf.tsx'

const CHOICES = [
  ['sheet', 'Sheet'],
  ['work', 'Work'],
  ['all', 'All'],
] as const

/** What to see: the printed sheet alone, the student's work on it, or all with the feedback. */
export type Seeing = (typeof CHOICES)[number][0]

export function SeeingChoice({ seeing, onChange }: { seeing: Seeing; onChange: (seeing: Seeing) => void }) {
  return (
    <OneOf
      label="What to see"
      value={seeing}
      onChoose={onChange}
      className="flex overflow-hidden rounded-tag border border-ink-soft/60"
    >
      {CHOICES.map(([value, name]) => (
        <Option
          key={value}
          value={value}
          className={`min-h-[36px] px-3 font-semibold ${seeing === value ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-blotter'}`}
        >
          {name}
        </Option>
      ))}
    </OneOf>
  )
}
