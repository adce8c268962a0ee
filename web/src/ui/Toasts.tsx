import { useEffect } from 'react'
import { type ExternalToast, Toaster, toast } from 'sonner'

interface ToastsProps {
  /** Told what shows a sentence, once there is something to show it in. */
  onReady: (show: (sentence: string, how?: ExternalToast) => void) => void
}

/** Where sentences are shown for a while, over every screen. */
export function Toasts({ onReady }: ToastsProps) {
  useEffect(() => onReady((sentence, how) => void toast(sentence, how)), [onReady])
  return (
    <Toaster
      position="bottom-center"
      offset={88}
      duration={7000}
      toastOptions={{
        style: {
          background: 'var(--color-ink)',
          color: 'var(--color-sheet)',
          border: 'none',
          fontFamily: 'var(--font-sans)',
          fontSize: '0.9375rem',
        },
      }}
    />
  )
}
