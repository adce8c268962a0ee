import type { ReactNode } from 'react'
import { GotIt } from './Standing.tsx'

interface SaidLineProps {
  icon: ReactNode
  strong?: boolean
  onRead?: () => void
  children: ReactNode
}

/** A line over the head of a page: writing goes on beneath it, its buttons take presses. */
export function SaidLine({ icon, strong = false, onRead, children }: SaidLineProps) {
  return (
    <div
      className={`flex items-center gap-3 rounded-tag border border-rule px-4 shadow-[0_2px_10px_rgb(30_43_58/0.18)] ${onRead ? 'py-0.5' : 'py-2'} ${strong ? 'bg-ochre-soft text-lg' : 'bg-card'}`}
    >
      <span className="text-ochre">{icon}</span>
      <p className="min-w-0 flex-1 [&_button]:pointer-events-auto">{children}</p>
      {onRead && (
        <span className="pointer-events-auto">
          <GotIt onPress={onRead} />
        </span>
      )}
    </div>
  )
}
