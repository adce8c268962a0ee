import type { LucideIcon } from 'lucide-react'
import type { ReactNode } from 'react'
import { OpensCard } from './OpensCard.tsx'
import { StripButton } from './StripButton.tsx'

/** A button of the strip that opens something to choose from. */
export function Opens({ icon, label, children }: { icon: LucideIcon; label: string; children: ReactNode }) {
  return (
    <OpensCard button={<StripButton icon={icon} label={label} />} width="18.75rem">
      {children}
    </OpensCard>
  )
}
