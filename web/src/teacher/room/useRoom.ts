import { CALLS, type WhereNews, whereNews } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { z } from 'zod'
import { hear, live } from '../../api/live.ts'
import { ANSWER_WITHIN } from '../../api/patience.ts'
import { refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

/** Where somebody was when it was last told, and when that was, in milliseconds of this page's clock. */
export interface Whereabout extends Pick<WhereNews, 'student' | 'page' | 'away' | 'at' | 'gone'> {
  readonly toldAt: number
  /** When something was last done there. */
  readonly doneAt: number
}

/** Nobody has been heard of for so long who is still there, in milliseconds: they tell every fifteen seconds. */
const LOST_AFTER = 40_000

/** Whether somebody can be reached. */
export const isReached = (where: Whereabout | undefined, now: number): where is Whereabout =>
  where !== undefined && !where.gone && now - where.toldAt < LOST_AFTER

/** Hands and seats of a class at work. */
export function useRoomTold(handout: string) {
  const room = useQuery(asked.room(handout))
  useEffect(() => {
    const again = () => void refresh(CALLS.room, { handout })
    const stop = hear(live(), 'hands', z.uuid(), (of) => of === handout && again())
    live().on('connect', again)
    return () => {
      stop()
      live().off('connect', again)
    }
  }, [handout])
  return room
}

/** Where everybody is who works on a copy of a hand-out: by copy, those who have it open. */
export function useWhereabouts(handout: string): ReadonlyMap<string, readonly Whereabout[]> {
  const [where, setWhere] = useState<ReadonlyMap<string, readonly Whereabout[]>>(new Map())
  useEffect(() => {
    const socket = live()
    const walk = () => {
      socket
        .timeout(ANSWER_WITHIN)
        .emitWithAck('walk', { handout })
        .catch(() => {})
    }
    if (socket.connected) walk()
    socket.on('connect', walk)
    const stop = hear(socket, 'where', whereNews, (news) => {
      if (news.handout !== handout) return
      const now = Date.now()
      const { student, page, away, at, gone, idle } = news
      const told = { student, page, away, at, gone, toldAt: now, doneAt: now - idle }
      setWhere((before) => {
        const others = (before.get(news.copy) ?? []).filter((each) => each.student !== student)
        return new Map(before).set(news.copy, [...others, told])
      })
    })
    return () => {
      stop()
      socket.off('connect', walk)
    }
  }, [handout])
  return where
}

/** The time, looked at every so many milliseconds. */
export function useNow(every: number): number {
  const [now, setNow] = useState(Date.now)
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), every)
    return () => clearInterval(timer)
  }, [every])
  return now
}
