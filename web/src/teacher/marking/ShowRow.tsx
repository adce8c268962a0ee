import type { ReactNode } from 'react'
import { Tick } from '../../ui/Tick.tsx'

interface ShowRowProps {
  label: string
  shown: boolean
  onShow: (shown: boolean) => void
  /** What there is to say while it is shown. */
  children: ReactNode
  /** What is always said. */
  aside?: ReactNode
}

/** A row over the page that shows something more on it, or does not. */
export function ShowRow({ label, shown, onShow, children, aside }: ShowRowProps) {
  return (
    <section className="flex shrink-0 flex-wrap items-center gap-x-5 border-b border-rule bg-card px-4 py-0.5">
      <Tick ticked={shown} onTick={onShow} className="!min-h-[32px] font-semibold pointer-coarse:!min-h-11">
        {label}
      </Tick>
      {shown && children}
      {aside}
    </section>
  )
}
