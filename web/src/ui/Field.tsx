import { type InputHTMLAttributes, type ReactNode, useId } from 'react'

export const INPUT =
  'min-h-[40px] pointer-coarse:min-h-11 w-full rounded-tag border border-ink-soft/60 bg-sheet px-3 py-1.5 text-ink'

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  label: string
  hint?: ReactNode
  problem?: string | undefined
}

/** A labelled box to type in, with what is wrong said under it. */
export function Field({ label, hint, problem, ...input }: FieldProps) {
  const id = useId()
  const told = problem ?? hint
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        className={INPUT}
        aria-invalid={problem !== undefined}
        aria-describedby={told ? `${id}-told` : undefined}
        {...input}
      />
      {told && (
        <p
          id={`${id}-told`}
          className={problem ? 'text-madder' : 'text-ink-soft'}
          role={problem ? 'alert' : undefined}
        >
          {told}
        </p>
      )}
    </div>
  )
}
