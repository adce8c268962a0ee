import { type RefObject, useCallback, useEffect, useRef } from 'react'
import type { Marks } from './useMarks.ts'

/**
 * From question to question: `goOn` goes to the next without marks after one, turning the page where it must;
 * where none is left, on to the next copy. The field there has the focus.
 */
export function useGoingOn(
  copy: string,
  /** It is the copy wanted, not the one before. */
  settled: boolean,
  marks: Marks,
  page: number,
  onTurn: (page: number) => void,
  onNext: () => void,
  column: RefObject<HTMLElement | null>,
) {
  const wanted = useRef<string>(undefined)
  /** Whoever comes from the last question of a copy goes on at the first of the next. */
  const comes = useRef(false)
  const latest = useRef(marks)
  latest.current = marks
  const focus = useCallback(() => {
    const field =
      wanted.current && column.current?.querySelector<HTMLElement>(`[data-mark="${wanted.current}"]`)
    if (!field) return
    wanted.current = undefined
    field.focus()
  }, [column])
  // Its field is there once its page is shown.
  // biome-ignore lint/correctness/useExhaustiveDependencies: when the page has turned
  useEffect(focus, [page, focus])
  const goOn = useCallback(
    (after: string | undefined) => {
      const { questions } = latest.current
      const from = after === undefined ? 0 : questions.findIndex(({ question }) => question.id === after) + 1
      const inTurn = [...questions.slice(from), ...questions.slice(0, from)]
      const next = inTurn.find(({ mark, question }) => !mark && question.id !== after)
      if (!next) {
        comes.current = true
        onNext()
        return
      }
      wanted.current = next.question.id
      if (next.page === page) focus()
      else onTurn(next.page)
    },
    [page, onTurn, onNext, focus],
  )
  const isThere = settled && marks.questions.length > 0
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another copy is there
  useEffect(() => {
    if (!comes.current || !isThere) return
    comes.current = false
    if (latest.current.questions.some(({ mark }) => !mark)) goOn(undefined)
  }, [copy, isThere])
  const toFirst = useCallback(() => goOn(undefined), [goOn])
  return { goOn, toFirst }
}
