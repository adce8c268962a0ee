import type { FeedbackStep } from '@hand-back/core'
import { useCallback, useEffect, useState } from 'react'
import type { Surface } from '../surface/Surface.ts'

/** The piece of feedback that one has come to: its page is turned to, and it is brought into sight. */
export function useStepping(
  surface: Surface | undefined,
  page: string,
  turnToPage: (page: string) => void,
): {
  step: FeedbackStep | undefined
  /** Frames a piece; nothing: none any more. `turns`: turns to it too. */
  onStep: (step: FeedbackStep | undefined, turns: boolean) => void
} {
  const [step, setStep] = useState<FeedbackStep>()
  const [bringing, setBringing] = useState(false)
  const onStep = useCallback(
    (next: FeedbackStep | undefined, turns: boolean) => {
      setStep(next)
      setBringing(turns)
      // What is about the whole work has no place: one stays where one is.
      if (next?.box && turns) turnToPage(next.page)
    },
    [turnToPage],
  )
  useEffect(() => {
    if (!bringing || !step || !surface || step.page !== page) return
    if (step.box) surface.bring(step.box)
    setBringing(false)
  }, [bringing, step, surface, page])
  return { step, onStep }
}
