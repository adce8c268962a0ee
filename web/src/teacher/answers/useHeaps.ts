import { CALLS, type HeapAct, type Heaps, heapsAfter, heapsNews, noHeaps } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef } from 'react'
import { ask } from '../../api/ask.ts'
import { hear, live } from '../../api/live.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { sayProblem } from '../../ui/notices.ts'
import { asked } from '../asked.ts'

/** The heaps of a question, and what is done to them: seen at once, kept at school one after the other. */
export function useHeaps(
  handout: string,
  question: string,
): { heaps: Heaps; change: (act: HeapAct) => void } {
  const { data } = useQuery(asked.heaps(handout, question))
  const last = useRef<Promise<unknown>>(Promise.resolve())
  const waiting = useRef(0)
  useEffect(() => {
    const again = () => void refresh(CALLS.heaps, { handout, question })
    const stop = hear(live(), 'heaps', heapsNews, (news) => {
      // One's own acts are told as answers.
      if (news.handout === handout && news.question === question && waiting.current === 0) again()
    })
    live().on('connect', again)
    return () => {
      stop()
      live().off('connect', again)
    }
  }, [handout, question])
  const change = useCallback(
    (act: HeapAct) => {
      const key = keyOf(CALLS.heaps, { handout, question })
      queryClient.setQueryData<Heaps>(key, (before) => heapsAfter(before ?? noHeaps, act))
      waiting.current++
      last.current = last.current.then(async () => {
        try {
          const told = await ask(CALLS.changeHeaps, { handout, question }, act)
          if (--waiting.current === 0) queryClient.setQueryData<Heaps>(key, told)
        } catch (error) {
          waiting.current--
          sayProblem(error)
          void refresh(CALLS.heaps, { handout, question })
        }
      })
    },
    [handout, question],
  )
  return { heaps: data ?? noHeaps, change }
}
