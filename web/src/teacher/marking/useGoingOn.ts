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
  /** What is about the whole copy can be folded away. */
  aboutAll: { readonly open: boolean; readonly setOpen: (open: boolean) => void },
) {
  const { open, setOpen } = aboutAll

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
  // Its field is there once its page is shown, or the rubric.
  // biome-ignore lint/correctness/useExhaustiveDependencies: when the page has turned or the rubric has opened
  useEffect(focus, [page, open, focus])
  const goOn = useCallback(
    (after: string | undefined) => {
      const all = stops(latest.current)
      const from = after === undefined ? 0 : all.findIndex(({ id }) => id === after) + 1
      const inTurn = [...all.slice(from), ...all.slice(0, from)]
      const next = inTurn.find(({ mark, id }) => !mark && id !== after)
      if (!next) {
        comes.current = true
        onNext()
        return
      }
      wanted.current = next.id
      if (next.page === undefined && !open) setOpen(true)
      else if (next.page === undefined || next.page === page) focus()
      else onTurn(next.page)
    },
    [page, onTurn, onNext, focus, open, setOpen],
  )
  const isThere = settled && stops(marks).length > 0
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another copy is there
  useEffect(() => {
    if (!comes.current || !isThere) return
    comes.current = false
    if (stops(latest.current).some(({ mark }) => !mark)) goOn(undefined)
  }, [copy, isThere])
  const toFirst = useCallback(() => goOn(undefined), [goOn])
  return { goOn, toFirst }
}

/** Everything that is given marks, in turn: the questions where they are on the pages, then the rubric, beside every page. */
const stops = ({ questions, criteria }: Marks) => [
  ...questions.map(({ question, mark, page }) => ({ id: question.id, mark, page })),
  ...criteria.map(({ criterion, mark }) => ({ id: criterion.id, mark, page: undefined })),
]
