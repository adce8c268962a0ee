import { OneOf, Option } from './OneOf.tsx'

interface ChoiceLineProps<Value extends string> {
  /** What is chosen here, for those who hear it. */
  label: string
  value: Value
  /** What each is called, in their order. */
  names: Readonly<Partial<Record<Value, string>>>
  onChoose: (value: Value) => void
}

/** One of a few ways to look at something, in a line of words; a line stands under the one that is chosen. */
export function ChoiceLine<Value extends string>({ label, value, names, onChoose }: ChoiceLineProps<Value>) {
  return (
    <OneOf label={label} value={value} onChoose={onChoose} className="flex shrink-0 gap-4">
      {(Object.entries(names) as [Value, string][]).map(([each, name]) => (
        <Option
          key={each}
          value={each}
          className={`min-h-[36px] border-b-[3px] px-1 font-semibold pointer-coarse:min-h-11 ${value === each ? 'border-verdigris' : 'border-transparent text-ink-soft hover:text-ink'}`}
        >
          {name}
        </Option>
      ))}
    </OneOf>
  )
}
