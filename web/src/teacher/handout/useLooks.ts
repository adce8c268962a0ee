import { CALLS, touchedNews } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { hear, live } from '../../api/live.ts'
import { refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

/** While a class writes, pictures are made anew at most so often, in milliseconds. */
const AT_MOST_EVERY = 4000

/** How the pages of a hand-out's copies look now, asked again a little after somebody has written. */
export function useLooks(handout: string) {
  const looks = useQuery(asked.looks(handout))
  useEffect(() => {
    const socket = live()
    let coming: ReturnType<typeof setTimeout> | undefined
    const again = () => {
      coming = undefined
      void refresh(CALLS.handoutLooks, { handout })
    }
    const stops = [
      hear(socket, 'touched', touchedNews, ({ handout: of }) => {
        if (of === handout) coming ??= setTimeout(again, AT_MOST_EVERY)
      }),
      hear(socket, 'handout', touchedNews.shape.handout, (of) => of === handout && again()),
    ]
    socket.on('connect', again)
    return () => {
      clearTimeout(coming)
      socket.off('connect', again)
      for (const stop of stops) stop()
    }
  }, [handout])
  return looks
}
