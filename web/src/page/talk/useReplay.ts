import { pageOpenAt, Replay, type Shown, type TalkThrough } from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'

/** A talk-through as it plays. */
export interface Replaying {
  readonly replay: Replay
  /** What was there as the voice began, and when it ended. */
  readonly before: Shown
  readonly after: Shown
  readonly shown: Shown
  /** The page that was open then, or that one has turned to since. */
  readonly page: string | undefined
  turnTo(page: string): void
  /** Shows another second of it. */
  show(seconds: number): void
}

/** A talk-through, from its beginning. Nothing where there is none. */
export function useReplay(through: TalkThrough | undefined): Replaying | undefined {
  const made = useMemo(() => {
    if (!through) return undefined
    const before = new Replay(through).at(0)
    // The voice may end before its last second is over: all that was made until then is there.
    const after = new Replay(through).at(through.seconds)
    return { replay: new Replay(through), before, after }
  }, [through])
  const [shown, setShown] = useState<Shown>()
  const [page, turnTo] = useState<string>()
  const opened = useRef<string>(undefined)
  const show = useCallback(
    (seconds: number) => {
      if (!made) return
      setShown(made.replay.at(seconds))
      const open = pageOpenAt(made.replay.through.talk, seconds)
      // One may look at another page until the next is turned to.
      if (open !== opened.current && open !== undefined) turnTo(open)
      opened.current = open
    },
    [made],
  )
  useEffect(() => show(0), [show])
  return useMemo(
    () => made && { ...made, shown: shown ?? made.before, page, turnTo, show },
    [made, shown, page, show],
  )
}
