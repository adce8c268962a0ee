import type { ReactNode } from 'react'
import { OneOf, Option } from '../../ui/OneOf.tsx'

interface EitherProps {
  label: string
  first: string
  second: string
  isSecond: boolean
  /** Left out: there is no choice. */
  onChoose?: ((second: boolean) => void) | undefined
  children?: ReactNode
}

/** One of two, and what belongs to the one that is chosen. */
export function Either({ label, first, second, isSecond, onChoose, children }: EitherProps) {
  return (
    <section className="flex flex-col gap-2">
      <h3 className="font-semibold">{label}</h3>
      {onChoose && (
        <OneOf
          label={label}
          value={isSecond ? 'second' : 'first'}
          onChoose={(value) => onChoose(value === 'second')}
          className="flex self-start overflow-hidden rounded-tag border border-ink-soft/60"
        >
          {(['first', 'second'] as const).map((value) => (
            <Option
              key={value}
              value={value}
              className={`min-h-[36px] px-3.5 font-semibold pointer-coarse:min-h-11 ${(value === 'second') === isSecond ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-blotter'}`}
            >
              {value === 'first' ? first : second}
            </Option>
          ))}
        </OneOf>
      )}
      {children}
    </section>
  )
}
