import type { LucideIcon } from 'lucide-react'
import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'
import { StripButton } from './StripButton.tsx'
import { StripCard } from './StripCard.tsx'

/** A button of the strip that opens something to choose from. */
export function Opens({ icon, label, children }: { icon: LucideIcon; label: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <StripButton icon={icon} label={label} />
      </Popover.Trigger>
      <StripCard width="18.75rem">{children}</StripCard>
    </Popover.Root>
  )
}
