import { USUAL_VOICE_SECONDS } from '@hand-back/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { believed } from '../../api/believed.ts'
import { type Made, Speaking, type SpeakingState } from '../../page/voice/speaking.ts'
import { speakingDevice } from '../../page/voice/speakingDevice.ts'

/** It lies on no page. */
const NOWHERE = { page: '', x: 0, y: 0 }

/**
 * Speaking a direction for a hand-out of a worksheet. What ends is used at once; what a tab left behind waits in `left`
 * to be used or taken away.
 */
export function useSpokenDirection(worksheet: string, onSpoken: (made: Made) => void) {
  const told = useRef(onSpoken)
  told.current = onSpoken
  const [used] = useState(() => new Set<string>())
  const speaking = useMemo(
    () =>
      new Speaking(
        {
          copy: `directions ${worksheet}`,
          person: believed() ?? '',
          longest: USUAL_VOICE_SECONDS,
          longestFilm: 0,
          openPage: () => NOWHERE.page,
          lay: (made) => {
            used.add(made.id)
            told.current(made)
          },
          lies: (recording) => used.has(recording),
        },
        speakingDevice(),
      ),
    [worksheet, used],
  )
  const now: SpeakingState = useStore(speaking.state)
  useEffect(() => {
    if (now.is === 'made' && !now.made.left) void speaking.keep()
  }, [speaking, now])
  useEffect(() => {
    void speaking.offer()
    return () => speaking.close()
  }, [speaking])
  return {
    seconds: now.is === 'recording' ? now.seconds : undefined,
    left: now.is === 'made' && now.made.left ? now.made : undefined,
    begin: () => speaking.begin(NOWHERE),
    end: () => speaking.stop(),
    use: () => void speaking.keep(),
    drop: () => speaking.drop(),
  }
}
