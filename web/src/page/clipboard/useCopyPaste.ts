import { useEffect } from 'react'
import { takesKeys } from '../keys/takesKeys.ts'

/** What copying and pasting do to a page. */
export interface WorkClipboard {
  /** The text that carries what is picked up. */
  copied(): string | undefined
  /** Takes away what was cut out. */
  cut(): void
  paste(data: DataTransfer): void
}

/** Copying, cutting and pasting as the browser tells of them. */
export function useCopyPaste(clipboard: WorkClipboard | undefined): void {
  useEffect(() => {
    if (!clipboard) return
    const elsewhere = (target: EventTarget | null) =>
      takesKeys(target) || (target instanceof HTMLElement && target.closest('[role=dialog]') !== null)
    const copy = (event: ClipboardEvent) => {
      const text = elsewhere(event.target) ? undefined : clipboard.copied()
      if (!text) return
      event.clipboardData?.setData('text/plain', text)
      event.preventDefault()
      if (event.type === 'cut') clipboard.cut()
    }
    const paste = (event: ClipboardEvent) => {
      if (elsewhere(event.target) || !event.clipboardData) return
      event.preventDefault()
      clipboard.paste(event.clipboardData)
    }
    addEventListener('copy', copy)
    addEventListener('cut', copy)
    addEventListener('paste', paste)
    return () => {
      removeEventListener('copy', copy)
      removeEventListener('cut', copy)
      removeEventListener('paste', paste)
    }
  }, [clipboard])
}
