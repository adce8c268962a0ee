import { attachmentsOfItem, type PageEvent, type Person, type VoiceNote } from '@hand-back/core'
import { useEffect, useLayoutEffect, useMemo } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { finishesBy } from '../device/finishing.ts'
import { layFilm } from './layFilm.ts'
import { type Made, Speaking } from './speaking.ts'
import { speakingDevice } from './speakingDevice.ts'

interface SpeakingOn {
  copy: string
  store: CopyStore
  person: Person
  pages: readonly { readonly id: string }[]
  /** The page that is open. */
  page: { readonly id: string }
  /** The longest recording, in seconds. */
  longest: number
  /** … and the longest film; left out: nothing is filmed. */
  longestFilm?: number
  /** The copy is there, and takes what one says. */
  open: boolean
  /** Gives what was made as an answer to a piece of feedback. */
  answer?: (made: Made & { readonly to: string }) => void
  /** Pins what was made to its place, or answers a pin with it. */
  pin?: (made: Made) => void
  /** What was made is kept when one leaves, as one does who goes through a pile; else it is offered the next time. */
  keepsOnLeaving?: boolean
}

/** Speaking on a copy as long as it is open; what was left over in it when a tab ended is offered first. */
export function useSpeaking({
  copy,
  store,
  person,
  pages,
  page,
  longest,
  longestFilm = 0,
  open,
  answer,
  pin,
  keepsOnLeaving = false,
}: SpeakingOn): Speaking {
  const { speaking, around } = useMemo(() => {
    // Of this copy: what is laid late does not go to the pages of the next.
    const around: Pick<SpeakingOn, 'pages' | 'page' | 'answer' | 'pin'> = { pages: [], page: { id: '' } }
    const speaking = new Speaking(
      {
        copy,
        person: person.id,
        longest,
        longestFilm,
        lay: (made) => {
          const { to } = made
          if (made.pin) return around.pin?.(made)
          if (to !== undefined) return around.answer?.({ ...made, to })
          // Its page may have been taken out since.
          const on = around.pages.some(({ id }) => id === made.page) ? made.page : around.page.id
          if (made.film) layFilm(store, on, made)
          else store.add(on, [noteOf(made)], { name: made.id, bytes: made.bytes })
        },
        openPage: () => around.page.id,
        lies: (recording) =>
          [...store.view.getState().log.pages.values()].some(({ placed }) =>
            [...placed.values()].some(({ item }) => attachmentsOfItem(item).includes(recording)),
          ),
      },
      speakingDevice(),
    )
    return { speaking, around }
  }, [copy, person.id, store, longest, longestFilm])
  useLayoutEffect(() => {
    Object.assign(around, { pages, page, answer, pin })
  }, [around, pages, page, answer, pin])
  useEffect(() => speaking.turned(page.id), [speaking, page.id])
  // What is made while one speaks is played with the voice.
  useEffect(
    () =>
      store.view.subscribe(({ log: { pending } }) => {
        const last = pending.at(-1)
        if (last && isShown(last)) speaking.drew(last.madeAt)
      }),
    [speaking, store],
  )
  useEffect(
    () => () => {
      const now = speaking.state.getState()
      const isLeft = now.is === 'made' && now.made.left
      if (keepsOnLeaving && !isLeft) void speaking.finish().finally(() => speaking.close())
      else speaking.close()
    },
    [speaking, keepsOnLeaving],
  )
  useEffect(() => finishesBy(copy, () => speaking.finish()), [copy, speaking])
  useEffect(() => {
    if (open) void speaking.offer()
  }, [speaking, open])
  return speaking
}

/** What was said itself, to the page or to feedback, is nothing to be seen while it is heard. */
const isShown = (event: PageEvent): boolean =>
  event.layer !== 'pins' &&
  (event.act !== 'add' || event.items.some(({ kind }) => kind !== 'voice' && kind !== 'reply'))

function noteOf({ id, x, y, seconds, heard, words, talk, drew }: Made): VoiceNote {
  // Without anything made or turned to, there is only a voice.
  const wasShown = drew || (talk?.turns.length ?? 0) > 1
  return {
    id: crypto.randomUUID(),
    kind: 'voice',
    x,
    y,
    recording: id,
    seconds,
    ...(heard ? { heard } : {}),
    ...(words === '' ? {} : { words }),
    ...(talk && wasShown ? { talk } : {}),
  }
}
