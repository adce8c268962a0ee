import { arePensDown, CALLS, isKept, isShown, type LessonOfCopy } from '@hand-back/core'
import { queryOptions, useQuery } from '@tanstack/react-query'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { ask } from '../api/ask.ts'
import { hear, live } from '../api/live.ts'
import { keyOf, refresh } from '../api/queries.ts'
import { learningTime, schoolNow } from '../lesson/schoolClock.ts'
import { whenPenIsUp } from '../lesson/whenPenIsUp.ts'

/** Whoever cannot hear that pens are up again takes them up after so long without school, in milliseconds. */
const OUT_OF_EARSHOT = 30_000

const ownLesson = (copy: string) =>
  queryOptions({
    queryKey: keyOf(CALLS.ownLesson, { copy }),
    queryFn: () => learningTime(() => ask(CALLS.ownLesson, { copy })),
  })

/** What was said to the class, as far as this copy is told. */
export const useOwnLesson = (copy: string): LessonOfCopy | undefined => useQuery(ownLesson(copy)).data?.lesson

/** The copy on which their teacher writes at the front, where it has the pages of this one. */
export const useOwnBoard = (copy: string): string | null => useQuery(ownLesson(copy)).data?.board ?? null

/** Where one is asked to write at the front. */
export const useWritesAt = (copy: string): string | null => useQuery(ownLesson(copy)).data?.writesAt ?? null

/** Listens to what is said to the class: as it is said, and once more whenever something may have been missed. */
export function useHearLesson(copy: string, handout: string): void {
  useEffect(() => {
    const again = () => void refresh(CALLS.ownLesson, { copy })
    const back = () => document.hidden || again()
    const stop = hear(live(), 'lesson', z.uuid(), (of) => of === handout && again())
    live().on('connect', again)
    document.addEventListener('visibilitychange', back)
    return () => {
      stop()
      live().off('connect', again)
      document.removeEventListener('visibilitychange', back)
    }
  }, [copy, handout])
}

/** Whether pens are down, told on as it changes. */
export function usePensDown(lesson: LessonOfCopy | undefined, onRests: (rests: boolean) => void): boolean {
  const reached = useReached()
  const since = lesson?.pensDownAt ?? null
  const [rests, setRests] = useState(false)
  useEffect(() => {
    const look = () => setRests(reached && arePensDown(since, schoolNow()))
    look()
    const timer = setInterval(look, 5000)
    return () => clearInterval(timer)
  }, [since, reached])
  useEffect(() => onRests(rests), [rests, onRests])
  return rests
}

/** Whether school was heard of lately. */
function useReached(): boolean {
  const [reached, setReached] = useState(true)
  useEffect(() => {
    const socket = live()
    let timer: ReturnType<typeof setTimeout>
    const lost = () => {
      timer = setTimeout(() => setReached(false), OUT_OF_EARSHOT)
    }
    const found = () => {
      clearTimeout(timer)
      setReached(true)
    }
    if (!socket.connected) lost()
    socket.on('disconnect', lost)
    socket.on('connect', found)
    return () => {
      clearTimeout(timer)
      socket.off('disconnect', lost)
      socket.off('connect', found)
    }
  }, [])
  return reached
}

/** Turns to a page that everybody is shown, and stays with those who are kept there. Returns whether they are kept. */
export function useShownPage(
  lesson: LessonOfCopy | undefined,
  pages: readonly { readonly id: string }[],
  page: string,
  turnTo: (page: string) => void,
): boolean {
  const look = lesson?.look ?? null
  const has = look !== null && pages.some(({ id }) => id === look.page)
  const turned = useRef<number>(undefined)
  const turn = useRef(turnTo)
  turn.current = turnTo
  const keeps = has && isKept(look, schoolNow())
  useLayoutEffect(() => {
    if (!look || !has || !isShown(look, schoolNow()) || page === look.page) return
    if (turned.current === look.at && !look.keeps) return
    return whenPenIsUp(() => {
      turned.current = look.at
      turn.current(look.page)
    })
  }, [look, has, page])
  useEffect(() => {
    if (look && page === look.page) turned.current = look.at
  }, [look, page])
  return keeps
}
