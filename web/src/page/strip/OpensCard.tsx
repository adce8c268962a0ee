import {
  type ComponentProps,
  cloneElement,
  createContext,
  type ReactElement,
  useCallback,
  useContext,
  useRef,
  useState,
} from 'react'
import { fetchedPart, useWarm } from '../../ui/fetchedPart.tsx'
import type { StripCardProps } from './StripCard.tsx'

const StripCard = fetchedPart('StripCard', () => import('./StripCard.tsx'))

const CloseCard = createContext<() => void>(() => {})
/** Closes the card that one is in. */
export const useCloseCard = () => useContext(CloseCard)

interface OpensCardProps extends Omit<StripCardProps, 'at' | 'onClose'> {
  /** What opens it. Its own `onClick` comes first, and keeps the card closed with `preventDefault`. */
  button: ReactElement<ComponentProps<'button'>>
  /** Whether it is open, where others open and close it, too. */
  open?: boolean
  onOpen?: (open: boolean) => void
}

/** A button and the card that it opens. What lays cards out is fetched once the screen stands. */
export function OpensCard({ button, open: held, onOpen, children, ...card }: OpensCardProps) {
  const at = useRef<HTMLButtonElement>(null)
  const [own, setOwn] = useState(false)
  const open = held ?? own
  const change = onOpen ?? setOwn
  const close = useCallback(() => change(false), [change])
  useWarm(StripCard.warm)
  return (
    <>
      {cloneElement(button, {
        ref: at,
        'aria-haspopup': 'dialog',
        'aria-expanded': open,
        onClick: (event) => {
          button.props.onClick?.(event)
          if (!event.defaultPrevented) change(!open)
        },
        onKeyDown: (event) => {
          // The card may still be on its way: then the key comes here.
          if (open && event.key === 'Escape') close()
          else button.props.onKeyDown?.(event)
        },
      })}
      {open && (
        <CloseCard value={close}>
          <StripCard {...card} at={at} onClose={close}>
            {children}
          </StripCard>
        </CloseCard>
      )}
    </>
  )
}
