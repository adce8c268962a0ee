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

/** The first of the page that is shown, once it is there. */
const FIRST = 'first'

/** `page`: the page that is shown; `notes`: what is spoken on it. */
export function useHearAll(page: string, notes: readonly { readonly note: VoiceNote }[]): HearAll {
  const [at, setAt] = useState<string>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another page is shown, from its beginning
  useEffect(() => setAt((before) => before && FIRST), [page])
  const inOrder = notes.map(({ note }) => note).sort((one, other) => one.y - other.y || one.x - other.x)
  const first = inOrder[0]?.id
  // Something laid above what is heard does not take its turn.
  useEffect(() => {
    if (at === FIRST && first) setAt(first)
  }, [at, first])
  const index = inOrder.findIndex(({ id }) => id === at)
  const toggle = useCallback(() => {
    setAt((before) => (before === undefined ? first : undefined))
    if (!first) saySentence('Nothing is spoken on this page.')
  }, [first])
  return {
    told: inOrder[index]?.id,
    heard: (note) => {
      if (note === at) setAt(inOrder[index + 1]?.id)
    },
    toggle,
    beginNext: useCallback(() => setAt(FIRST), []),
  }
}
