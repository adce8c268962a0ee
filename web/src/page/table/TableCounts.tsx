import { type Sized, type TableSide, type Thing, withCount } from '@hand-back/core'
import { Minus, Plus } from 'lucide-react'
import type { ReactNode } from 'react'

interface TableCountsProps {
  thing: Extract<Thing, { kind: 'table' }>
  change: (thing: Thing) => void
  onClose: () => void
}

const SIDES: readonly (readonly [TableSide, string])[] = [
  ['rows', 'Rows'],
  ['columns', 'Columns'],
]

/** How many rows and columns there are, with one more or one fewer at the end. */
export function TableCounts({ thing, change }: TableCountsProps) {
  return (
    <div className="grid gap-2">
      {SIDES.map(([side, name]) => {
        const count = thing[side].length
        const to = (next: number) => change(withCount<Sized & typeof thing>(thing, side, next))
        return (
          <div key={side} className="grid grid-cols-[90px_44px_36px_44px] items-center gap-1">
            <span className="font-semibold">{name}</span>
            <Step
              label={`One ${name.toLowerCase().slice(0, -1)} fewer`}
              disabled={count === 1}
              onPress={() => to(count - 1)}
            >
              <Minus size={18} aria-hidden="true" />
            </Step>
            <output className="text-center tabular-nums">{count}</output>
            <Step label={`One ${name.toLowerCase().slice(0, -1)} more`} onPress={() => to(count + 1)}>
              <Plus size={18} aria-hidden="true" />
            </Step>
          </div>
        )
      })}
    </div>
  )
}

interface StepProps {
  label: string
  disabled?: boolean
  onPress: () => void
  children: ReactNode
}

function Step({ label, disabled = false, onPress, children }: StepProps) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      className="grid size-11 place-items-center rounded-tag border border-rule bg-sheet hover:border-ink-soft disabled:opacity-40"
    >
      {children}
    </button>
  )
}
