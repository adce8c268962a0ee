import { Popover } from 'radix-ui'
import { type ComponentProps, createContext, type ReactNode, useContext } from 'react'

/** Whether the strip stands along a side instead of below, to whatever is in it. */
export const Upright = createContext(false)

interface StripCardProps
  extends Pick<ComponentProps<typeof Popover.Content>, 'align' | 'side' | 'onCloseAutoFocus'> {
  /** Its width, at the usual size of words. */
  width: string
  /** How its parts lie. */
  className?: string
  children: ReactNode
}

/** What opens at a tool of the strip: beside it, and always wholly in the window, even when its tool slides away. */
export function StripCard({ width, className = '', children, ...content }: StripCardProps) {
  const upright = useContext(Upright)
  return (
    <Popover.Portal>
      <Popover.Content
        side={upright ? 'right' : 'top'}
        sideOffset={10}
        sticky="always"
        collisionPadding={6}
        {...content}
        style={{ width: `min(${width}, 100vw - 12px)` }}
        className={`z-50 max-h-[82vh] overflow-y-auto rounded-md border border-rule bg-card shadow-[0_4px_18px_rgb(30_43_58/0.2)] ${className || 'p-4'}`}
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  )
}
