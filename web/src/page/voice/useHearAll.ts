import type { VoiceNote } from '@hand-back/core'
import { useCallback, useEffect, useState } from 'react'
import { saySentence } from '../../ui/notices.ts'

/** Hearing all that is spoken on a page, one after the other, down the page. */
export interface HearAll {
  /** The note whose turn it is. */
  readonly told: string | undefined
  /** It has come to its end. */
  heard(note: string): void
  /** Begins, or ends. */
  toggle(): void
  /** Begins with what is spoken on the page that is shown next. */
  beginNext(): void
}

/** `page`: the page that is shown; `notes`: what is spoken on it. */
export function useHearAll(page: string, notes: readonly { readonly note: VoiceNote }[]): HearAll {
  const [at, setAt] = useState<number>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another page is shown, from its beginning
  useEffect(() => setAt((before) => before && 0), [page])
  const inOrder = notes.map(({ note }) => note).sort((one, other) => one.y - other.y || one.x - other.x)
  const told = at === undefined ? undefined : inOrder[at]?.id
  const count = inOrder.length
  const toggle = useCallback(() => {
    setAt((before) => (before === undefined && count > 0 ? 0 : undefined))
    if (count === 0) saySentence('Nothing is spoken on this page.')
  }, [count])
  return {
    told,
    heard: (note) => {
      if (note === told) setAt(at! + 1 < count ? at! + 1 : undefined)
    },
    toggle,
    beginNext: useCallback(() => setAt(0), []),
  }
}
