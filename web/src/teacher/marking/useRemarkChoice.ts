import type { WorksheetPage } from '@hand-back/core'
import { type DragEvent, type RefObject, useCallback, useState } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { useRemarks } from '../remarks/useRemarks.ts'
import { REMARK_DRAG } from './RemarkChooser.tsx'
import type { MarkedQuestion, Marks } from './useMarks.ts'
import { type RemarkPlace, useRemarkPlaces } from './useRemarkPlaces.ts'

interface ChoiceOn {
  readonly store: CopyStore
  readonly pages: readonly WorksheetPage[]
  readonly index: number
  readonly marks: Marks
  readonly surface: RefObject<Surface | undefined>
  /** Where the fields of marks stand. */
  readonly column: RefObject<HTMLElement | null>
  /** Remarks can be put down now. */
  readonly writes: boolean
}

/** Choosing a remark and putting it down: at the question one is at, in the middle of what is seen, or where it is dropped. */
export function useRemarkChoice({ store, pages, index, marks, surface, column, writes }: ChoiceOn) {
  const page = pages[index]!
  const remarks = useRemarks()
  const put = useRemarkPlaces(store, pages, page, marks)
  /** The question whose field had the focus last, on this page, and for which a remark is chosen now. */
  const [last, setHand] = useState<MarkedQuestion>()
  const hand = marks.questions.find(
    ({ question, page: of }) => question.id === last?.question.id && of === index,
  )
  const [asking, setAsking] = useState<{ of?: MarkedQuestion | undefined }>()
  const placeOf = (of: MarkedQuestion | undefined): RemarkPlace => {
    if (of) return { of }
    return { at: surface.current?.middle() ?? { x: page.width / 2, y: page.height / 2 } }
  }
  return {
    hand,
    setHand,
    /** Asks which remark; for a question, or for none. */
    ask: useCallback((of?: MarkedQuestion) => setAsking({ of }), []),
    drop(event: DragEvent) {
      const id = event.dataTransfer.getData(REMARK_DRAG)
      const remark = remarks.find((each) => each.id === id)
      const at = surface.current?.placeUnder(event)
      if (!remark) return
      event.preventDefault()
      event.stopPropagation()
      setAsking(undefined)
      if (at && writes) put(remark, { at }, false)
    },
    chooser: {
      remarks,
      question: asking?.of?.question ?? hand?.question,
      open: asking !== undefined,
      onOpen: (opens: boolean) => setAsking(opens ? { of: hand } : undefined),
      /** Whoever came from a field goes on there. */
      onClosed(event: Event) {
        const field = hand && column.current?.querySelector<HTMLElement>(`[data-mark="${hand.question.id}"]`)
        if (!field) return
        event.preventDefault()
        field.focus()
      },
      onUse: (remark: Parameters<typeof put>[0], isNew: boolean) => put(remark, placeOf(asking?.of), isNew),
    },
  }
}
