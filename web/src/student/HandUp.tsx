import { CALLS, type CopyState, worksOn } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Hand } from 'lucide-react'
import { useEffect } from 'react'
import { z } from 'zod'
import { ask } from '../api/ask.ts'
import { hear, live } from '../api/live.ts'
import { got, keyOf, queryClient, refresh } from '../api/queries.ts'
import { sayProblem } from '../ui/notices.ts'

/** Asks for the teacher by one tap, and takes it back by another. Nobody else in the class sees it. */
export function HandUp({ copy, state }: { copy: string; state: CopyState }) {
  const hand = useQuery(got(CALLS.hand, { copy }))
  useEffect(
    () => hear(live(), 'hand', z.uuid(), (of) => of === copy && void refresh(CALLS.hand, { copy })),
    [copy],
  )
  if (!worksOn(state) || !hand.data) return null
  const isUp = hand.data.upAt !== null
  const press = async () => {
    queryClient.setQueryData(keyOf(CALLS.hand, { copy }), { upAt: isUp ? null : Date.now() })
    try {
      await (isUp ? ask(CALLS.takeHandDown, { copy }, {}) : ask(CALLS.putHandUp, { copy }))
    } catch (error) {
      sayProblem(error)
    }
    void refresh(CALLS.hand, { copy })
  }
  return (
    <button
      type="button"
      aria-pressed={isUp}
      onClick={() => void press()}
      className={`inline-flex min-h-11 items-center gap-2 whitespace-nowrap rounded-tag border px-3 font-semibold ${isUp ? 'border-ochre bg-ochre-soft text-ink' : 'border-transparent text-ink hover:bg-blotter'}`}
    >
      <Hand size={20} aria-hidden="true" />
      <span className="max-handheld:sr-only">{isUp ? 'Hand is up' : 'Hand up'}</span>
    </button>
  )
}
