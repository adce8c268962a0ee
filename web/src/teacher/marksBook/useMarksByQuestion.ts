import { CALLS, type MarksByQuestion, sumNews } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { hear, live } from '../../api/live.ts'
import { refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

/** While marks keep coming they are asked for anew at most so often, in milliseconds. */
const AT_MOST_EVERY = 700

/** What every copy of a hand-out was given for every question, kept up to date. */
export function useMarksByQuestion(handout: string) {
  const told = useQuery(asked.marksByQuestion(handout))
  useEffect(() => {
    const socket = live()
    let coming: ReturnType<typeof setTimeout> | undefined
    const again = () => {
      coming ??= setTimeout(() => {
        coming = undefined
        void refresh(CALLS.marksByQuestion, { handout })
      }, AT_MOST_EVERY)
    }
    socket.on('connect', again)
    const stop = hear(socket, 'marks', sumNews, ({ handout: of }) => of === handout && again())
    return () => {
      // Who looks at it next must not find it as it was.
      if (coming) void refresh(CALLS.marksByQuestion, { handout })
      clearTimeout(coming)
      socket.off('connect', again)
      stop()
    }
  }, [handout])
  return told
}

export type CopyMarks = MarksByQuestion['copies'][number]
