import { CALLS, type MarkingWhole, sumNews } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { z } from 'zod'
import { hear, live } from '../../api/live.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

/** The questions of a hand-out, its key, and what its copies were given, kept up to date live. */
export function useMarking(handout: string): MarkingWhole | undefined {
  const { data } = useQuery(asked.marking(handout))
  useEffect(() => {
    const socket = live()
    const key = keyOf(CALLS.marking, { handout })
    const missed = () => void refresh(CALLS.marking, { handout })
    socket.on('connect', missed)
    const stop = hear(socket, 'marks', sumNews, ({ handout: of, sum }) => {
      if (of !== handout) return
      queryClient.setQueryData<MarkingWhole>(
        key,
        (before) =>
          before && {
            ...before,
            sums: [...before.sums.filter(({ copy }) => copy !== sum.copy), sum],
          },
      )
    })
    // Its questions may be others now.
    const stopChanges = hear(socket, 'handout', z.uuid(), (of) => of === handout && missed())
    return () => {
      socket.off('connect', missed)
      stop()
      stopChanges()
    }
  }, [handout])
  return data
}
