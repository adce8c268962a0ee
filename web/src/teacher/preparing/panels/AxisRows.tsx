import { type Axis, axis } from '@hand-back/core'
import { useState } from 'react'
import { NumberBox, TextRow } from './rows.tsx'

/** One axis. Numbers that make no axis are told, and the last good axis stays. */
export function AxisRows({ name, of, onChange }: { name: string; of: Axis; onChange: (axis: Axis) => void }) {
  const [problem, setProblem] = useState<string>()
  const change = (next: Partial<Axis>) => {
    const made = axis.safeParse({ ...of, ...next })
    setProblem(made.success ? undefined : made.error.issues[0]?.message)
    if (made.success) onChange(made.data)
  }
  return (
    <fieldset className="flex min-w-0 flex-col gap-1.5">
      <legend className="mb-1">{name}</legend>
      <div className="grid grid-cols-3 gap-1.5">
        <NumberBox aria-label={`${name} from`} value={of.from} onChange={(from) => change({ from })} />
        <NumberBox aria-label={`${name} to`} value={of.to} onChange={(to) => change({ to })} />
        <NumberBox
          aria-label={`${name}, step`}
          value={of.step}
          least={1e-6}
          onChange={(step) => change({ step })}
        />
        <span className="text-sm text-ink-soft">from</span>
        <span className="text-sm text-ink-soft">to</span>
        <span className="text-sm text-ink-soft">step</span>
      </div>
      <TextRow label="Label" value={of.label} longest={60} onChange={(label) => change({ label })} />
      {problem && (
        <p role="alert" className="text-sm text-madder">
          {problem}
        </p>
      )}
    </fieldset>
  )
}
