import { CALLS, type LessonTold, lessonAfter, type Saying } from '@hand-back/core'
import { queryOptions, useQuery } from '@tanstack/react-query'
import { useCallback, useEffect } from 'react'
import { z } from 'zod'
import { ask } from '../../api/ask.ts'
import { hear, live } from '../../api/live.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { learningTime, schoolNow } from '../../lesson/schoolClock.ts'
import { sayProblem } from '../../ui/notices.ts'

const lessonOf = (handout: string) =>
  queryOptions({
    queryKey: keyOf(CALLS.lesson, { handout }),
    queryFn: async () => later(handout, await learningTime(() => ask(CALLS.lesson, { handout }))),
  })

/** Of what is known here and what was told, the later: an answer may be overtaken by what was said meanwhile. */
function later(handout: string, told: LessonTold): LessonTold {
  const known = queryClient.getQueryData<LessonTold>(keyOf(CALLS.lesson, { handout }))
  return known && known.lesson.turn > told.lesson.turn ? known : told
}

/** What was said to the class that works on a hand-out, here or on another device of its teachers. */
export function useLesson(handout: string) {
  const lesson = useQuery(lessonOf(handout))
  useEffect(() => {
    const again = () => void refresh(CALLS.lesson, { handout })
    const socket = live()
    const stop = hear(socket, 'lesson', z.uuid(), (of) => of === handout && again())
    const back = () => document.hidden || again()
    socket.on('connect', again)
    // A laptop that slept has missed time, and may have missed more.
    document.addEventListener('visibilitychange', back)
    return () => {
      stop()
      socket.off('connect', again)
      document.removeEventListener('visibilitychange', back)
    }
  }, [handout])
  return lesson
}

export type Say = (said: Saying) => Promise<boolean>

/** Says something to the class; it is seen here at once. Fulfilled with whether it was said. */
export function useSay(handout: string): Say {
  return useCallback(
    async (said) => {
      const key = keyOf(CALLS.lesson, { handout })
      queryClient.setQueryData(
        key,
        (before: LessonTold | undefined) =>
          before && { ...before, lesson: lessonAfter(before.lesson, said, schoolNow()) },
      )
      try {
        const told = await learningTime(() => ask(CALLS.say, { handout }, said))
        queryClient.setQueryData(key, later(handout, told))
        return true
      } catch (error) {
        sayProblem(error)
        // It was not said: what is known is what school knows.
        void queryClient.resetQueries({ queryKey: key })
        return false
      }
    },
    [handout],
  )
}
