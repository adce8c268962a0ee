import { type Person, USUAL_VOICE_SECONDS, type VoiceNote, type WorksheetPage } from '@hand-back/core'
import { useEffect, useLayoutEffect, useMemo, useRef } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { finishesBy } from '../copy/finishing.ts'
import { type Made, Speaking } from './speaking.ts'

interface SpeakingOn {
  copy: string
  store: CopyStore
  person: Person
  pages: readonly WorksheetPage[]
  /** The page that is open. */
  page: WorksheetPage
  /** The copy is there, and takes what one says. */
  open: boolean
}

/** Speaking on a copy as long as it is open; what was left over in it when a tab ended is offered first. */
export function useSpeaking({ copy, store, person, pages, page, open }: SpeakingOn): Speaking {
  const now = useRef({ pages, page })
  useLayoutEffect(() => {
    now.current = { pages, page }
  }, [pages, page])
  const speaking = useMemo(
    () =>
      new Speaking({
        copy,
        person: person.id,
        longest: USUAL_VOICE_SECONDS,
        lay: (made) => {
          const { pages, page } = now.current
          // Its page may have been taken out since.
          const on = pages.some(({ id }) => id === made.page) ? made.page : page.id
          store.add(on, [noteOf(made)], { name: made.id, bytes: made.bytes })
        },
        lies: (recording) =>
          [...store.view.getState().log.pages.values()].some(({ placed }) =>
            [...placed.values()].some(({ item }) => item.kind === 'voice' && item.recording === recording),
          ),
      }),
    [copy, person.id, store],
  )
  useEffect(() => () => speaking.close(), [speaking])
  useEffect(() => finishesBy(store, () => speaking.finish()), [store, speaking])
  useEffect(() => {
    if (open) void speaking.offer()
  }, [speaking, open])
  return speaking
}

function noteOf({ id, x, y, seconds, heard, words }: Made): VoiceNote {
  return {
    id: crypto.randomUUID(),
    kind: 'voice',
    x,
    y,
    recording: id,
    seconds,
    ...(heard ? { heard } : {}),
    ...(words === '' ? {} : { words }),
  }
}
