import { LONGEST_RECORDING, type Person, type Sheet, saysNothing } from '@hand-back/core'
import { useEffect, useMemo, useState } from 'react'
import { Speaking } from '../../page/voice/speaking.ts'
import { speakingDevice } from '../../page/voice/speakingDevice.ts'
import { putVoice } from './putVoice.ts'
import type { SheetStore } from './sheetStore.ts'
import { middleOfView } from './viewNow.ts'

export interface Telling {
  readonly speaking: Speaking
  /** How much of what was kept last has gone to school, 0 to 1; nothing: nothing goes. */
  readonly gone: number | undefined
}

/**
 * Speaking while a worksheet is prepared. What is put on its pages meanwhile is remembered with its moment: it comes
 * when the voice is heard. What a tab left behind is offered when the worksheet is prepared again.
 */
export function useTelling(store: SheetStore, worksheet: string, person: Person): Telling {
  const [gone, setGone] = useState<number>()
  const speaking = useMemo(
    () =>
      new Speaking(
        {
          copy: worksheet,
          person: person.id,
          longest: LONGEST_RECORDING,
          longestFilm: 0,
          lay: (made) =>
            putVoice(store, worksheet, made, middleOfView(), setGone).finally(() => setGone(undefined)),
          openPage: () => store.view.getState().at,
          lies: (recording) =>
            store.view
              .getState()
              .sheet.pages.some(({ printed }) => printed.some(({ id }) => id === recording)),
        },
        speakingDevice(),
      ),
    [store, worksheet, person.id],
  )
  useEffect(
    () =>
      store.view.subscribe(({ sheet, at }, before) => {
        if (at !== before.at) speaking.turned(at)
        if (sheet === before.sheet || speaking.state.getState().is !== 'recording') return
        const there = thingsThere(before.sheet)
        for (const id of thingsThere(sheet)) if (!there.has(id)) speaking.drew(Date.now(), id)
      }),
    [store, speaking],
  )
  useEffect(() => () => speaking.close(), [speaking])
  useEffect(() => void speaking.offer(), [speaking])
  return { speaking, gone }
}

/** Everything printed that can be seen; a voice is only heard. */
const thingsThere = ({ pages }: Sheet): Set<string> =>
  new Set(
    pages.flatMap(({ printed }) =>
      printed.filter((item) => item.kind !== 'voice' && !saysNothing(item)).map(({ id }) => id),
    ),
  )
