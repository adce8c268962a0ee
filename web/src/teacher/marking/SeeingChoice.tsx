import { OneOf, Option } from '../../ui/OneOf.tsx'

const CHOICES = [
  ['sheet', 'Sheet'],
  ['work', 'Work'],
  ['all', 'All'],
  ['theirs', 'Their view'],
] as const

/** What to see: the printed sheet alone, the student's work on it, all with the feedback, or what the student gets. */
export type Seeing = (typeof CHOICES)[number][0]

export function SeeingChoice({ seeing, onChange }: { seeing: Seeing; onChange: (seeing: Seeing) => void }) {
  return (
    <OneOf
      label="What to see"
      value={seeing}
      onChoose={onChange}
      className="flex shrink-0 overflow-hidden rounded-tag border border-ink-soft/60"
    >
      {CHOICES.map(([value, name]) => (
        <Option
          key={value}
          value={value}
          className={`min-h-[36px] px-3 font-semibold whitespace-nowrap pointer-coarse:min-h-11 max-tablet:px-2 ${seeing === value ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-blotter'}`}
        >
          {name}
        </Option>
      ))}
    </OneOf>
  )
}
