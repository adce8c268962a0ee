import { type CopyLog, inSight, pageOf, type WorksheetPage } from '@hand-back/core'
import { useCallback, useEffect, useRef } from 'react'
import { type HearAll, useHearAll } from '../../page/voice/useHearAll.ts'
import type { Seen } from '../../page/work/useWriting.ts'
import { saySentence } from '../../ui/notices.ts'

interface HearingOn {
  copy: string
  /** It is the copy wanted, not the one before, and its log is there. */
  ready: boolean
  log: CopyLog
  pages: readonly WorksheetPage[]
  index: number
  seen: Seen
  onTurn: (index: number) => void
  onNext: () => void
}

/** Hearing what is spoken in a pile: all of a page in turn; `hearNext` goes on to the next copy and plays what is spoken there. */
export function useHearing(on: HearingOn): HearAll & { hearNext: () => void } {
  const { copy, ready, log, pages, index, seen, onTurn, onNext } = on
  const hearAll = useHearAll(pages[index]!.id, seen.notes)
  const comes = useRef<string>(undefined)
  const hearNext = useCallback(() => {
    comes.current = copy
    onNext()
  }, [copy, onNext])
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the next copy is there
  useEffect(() => {
    if (!ready || comes.current === undefined || comes.current === copy) return
    comes.current = undefined
    const spoken = pages.findIndex(({ id }) =>
      inSight(pageOf(log, id)).some(({ item, layer }) => item.kind === 'voice' && layer !== 'feedback'),
    )
    if (spoken === -1) return saySentence('Nothing is spoken in this copy.')
    if (spoken !== index) onTurn(spoken)
    hearAll.beginNext()
  }, [ready, copy])
  return { ...hearAll, hearNext }
}
