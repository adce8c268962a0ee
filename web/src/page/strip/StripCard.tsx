import { Popover } from 'radix-ui'
import { type ComponentProps, type ReactNode, type RefObject, useContext, useRef } from 'react'
import { Upright } from './upright.ts'

export interface StripCardProps
  extends Pick<ComponentProps<typeof Popover.Content>, 'align' | 'side' | 'onCloseAutoFocus'> {
  /** Its width, at the usual size of words. */
  width: string
  /** How its parts lie. */
  className?: string
  /** The button that it belongs to. */
  at: RefObject<HTMLButtonElement | null>
  onClose: () => void
  children: ReactNode
}

/** What opens at a button: beside it, and always wholly in the window, even when its button slides away. */
export function StripCard({
  width,
  className = '',
  at,
  onClose,
  onCloseAutoFocus,
  children,
  ...content
}: StripCardProps) {
  const upright = useContext(Upright)
  const leftFor = useRef<EventTarget>(undefined)
  return (
    <Popover.Root open onOpenChange={(opens) => !opens && onClose()}>
      <Popover.Anchor virtualRef={at as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          side={upright ? 'right' : 'top'}
          sideOffset={10}
          sticky="always"
          collisionPadding={6}
          {...content}
          onInteractOutside={(event) => {
            // A press on its own button closes it by itself.
            if (at.current?.contains(event.target as Node)) event.preventDefault()
            else leftFor.current = event.target ?? undefined
          }}
          onCloseAutoFocus={(event) => {
            onCloseAutoFocus?.(event)
            if (!event.defaultPrevented && !leftFor.current) at.current?.focus()
            event.preventDefault()
          }}
          style={{ width: `min(${width}, 100vw - 12px)` }}
          className={`z-50 max-h-[82vh] overflow-y-auto rounded-md border border-rule bg-card shadow-[0_4px_18px_rgb(30_43_58/0.2)] ${className || 'p-4'}`}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
