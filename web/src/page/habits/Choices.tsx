import { OneOf, Option } from '../../ui/OneOf.tsx'

interface ChoicesProps<Value extends string> {
  legend: string
  value: Value
  options: readonly (readonly [Value, string])[]
  onChoose: (value: Value) => void
  /** What it is about stands before it, not over it. */
  inline?: boolean
}

/** One of a few, side by side, each large enough for a finger. */
export function Choices<Value extends string>({
  legend,
  value,
  options,
  onChoose,
  inline = false,
}: ChoicesProps<Value>) {
  return (
    <fieldset>
      <legend className={inline ? 'float-left mr-3 leading-[44px]' : 'mb-1.5 font-semibold'}>{legend}</legend>
      <OneOf label={legend} value={value} onChoose={onChoose} className="flex flex-wrap gap-2">
        {options.map(([of, words]) => (
          <Option
            key={of}
            value={of}
            className={`min-h-[44px] rounded-tag border px-3 ${value === of ? 'border-ink bg-ink font-semibold text-sheet' : 'border-rule bg-sheet hover:border-ink-soft'}`}
          >
            {words}
          </Option>
        ))}
      </OneOf>
    </fieldset>
  )
}
