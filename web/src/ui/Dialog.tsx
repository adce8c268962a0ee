import { X } from 'lucide-react'
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

/** A card over the screen, closed by its button, Escape or a press beside it. */
export function Dialog({ open, onClose, title, wide = false, children }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={(stays) => !stays && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[92vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-rule bg-card p-6 ${wide ? 'w-[min(920px,96vw)]' : 'w-[min(520px,94vw)]'}`}
        >
          <Radix.Title className="mb-3 pr-10 text-xl">{title}</Radix.Title>
          {children}
          {/* Last in the order of keys: what the dialog is for comes first. */}
          <Radix.Close
            aria-label="Close"
            className="absolute top-4 right-4 grid h-10 w-10 place-items-center rounded-tag text-ink-soft hover:bg-blotter hover:text-ink"
          >
            <X size={20} aria-hidden="true" />
          </Radix.Close>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
