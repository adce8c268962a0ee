import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

interface DialogProps {
  open: boolean
  onClose: () => void
  title: string
  /** For things that are looked at side by side. */
  wide?: boolean
  children: ReactNode
}

/** A card over the screen, closed by Escape or a press beside it. */
export function Dialog({ open, onClose, title, wide = false, children }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={(stays) => !stays && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[92vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-rule bg-card p-6 ${wide ? 'w-[min(920px,96vw)]' : 'w-[min(520px,94vw)]'}`}
        >
          <Radix.Title className="mb-3 text-xl">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
