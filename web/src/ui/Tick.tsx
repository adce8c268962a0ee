import type { ComponentProps, ReactNode } from 'react'

/** A box that is ticked or not. It says what it is for itself: in a label, or by `aria-label`. */
export function TickBox(box: Omit<ComponentProps<'input'>, 'type' | 'className'>) {
  return <input type="checkbox" className="h-[18px] w-[18px] shrink-0 accent-verdigris" {...box} />
}

interface TickProps {
  ticked: boolean
  onTick: (ticked: boolean) => void
  /** What it means. */
  children: ReactNode
  className?: string
}

/** A box that is ticked or not, with its words: a press anywhere on them ticks it. */
export function Tick({ ticked, onTick, children, className = '' }: TickProps) {
  return (
    <label
      className={`flex min-h-[38px] cursor-pointer items-center gap-2.5 pointer-coarse:min-h-11 ${className}`}
    >
      <TickBox checked={ticked} onChange={(event) => onTick(event.target.checked)} />
      {children}
    </label>
  )
}
