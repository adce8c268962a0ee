import { CALLS, copyRowNews, type HandoutWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { z } from 'zod'
import { hear, live } from '../../api/live.ts'
import { ANSWER_WITHIN } from '../../api/patience.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

/** A hand-out with the state of every copy, kept up to date live. */
export function useHandout(id: string) {
  const handout = useQuery(asked.handout(id))
  useEffect(() => {
    const socket = live()
    const key = keyOf(CALLS.handout, { handout: id })
    // After a gap in the connection news may be missing: watch again, and ask for the whole.
    const watch = () => {
      socket
        .timeout(ANSWER_WITHIN)
        .emitWithAck('watch', { handout: id })
        .catch(() => {})
      void refresh(CALLS.handout, { handout: id })
    }
    const heard = ({ handout: of, row }: z.infer<typeof copyRowNews>) => {
      if (of !== id) return
      const known = queryClient.getQueryData<HandoutWhole>(key)?.copies.some((copy) => copy.id === row.id)
      // Somebody who came late has a copy now.
      if (!known) void refresh(CALLS.handout, { handout: id })
      queryClient.setQueryData<HandoutWhole>(
        key,
        (before) =>
          before && { ...before, copies: before.copies.map((copy) => (copy.id === row.id ? row : copy)) },
      )
      void refresh(CALLS.handouts)
    }
    const changed = (of: string) => of === id && void refresh(CALLS.handout, { handout: id })
    if (socket.connected) watch()
    socket.on('connect', watch)
    const stops = [hear(socket, 'copyRow', copyRowNews, heard), hear(socket, 'handout', z.uuid(), changed)]
    return () => {
      socket.off('connect', watch)
      for (const stop of stops) stop()
    }
  }, [id])
  return handout
}
