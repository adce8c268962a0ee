import {
  boundsAround,
  boundsOfItem,
  canBePicked,
  type Item,
  inSight,
  laidRemark,
  type Point,
  pageOf,
  placeForRemark,
  type Question,
  questionOf,
  type RemarkKept,
  type WorksheetPage,
} from '@hand-back/core'
import { useCallback } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { sayProblem } from '../../ui/notices.ts'
import { saidAgain } from '../remarks/spokenRemark.ts'
import { countUse, keepRemarks } from '../remarks/useRemarks.ts'
import type { MarkedQuestion, Marks } from './useMarks.ts'

/** Where a remark is put: at a question, or at a place of the page that is shown. */
export type RemarkPlace = { readonly of: MarkedQuestion } | { readonly at: Point }

/** Puts remarks on the copy, gives their marks, and counts them. */
export function useRemarkPlaces(
  store: CopyStore,
  pages: readonly WorksheetPage[],
  page: WorksheetPage,
  marks: Marks,
) {
  return useCallback(
    (remark: RemarkKept, place: RemarkPlace, isNew: boolean) => {
      const questions = marks.questions.map(({ question }) => question)
      const { on, at } =
        'at' in place ? { on: page, at: place.at } : freeAt(place.of, remark.items, store, pages, questions)
      const items = laidRemark(remark, at, on, () => crypto.randomUUID())
      const of = 'of' in place ? place.of : questionAt(marks, on.id, items)
      const marked = () => of && marks.giveMore(of.question, remark.carries)
      const counted = () => countUse(remark.id, of?.question.id)
      if (items.some(({ kind }) => kind === 'voice')) {
        // Its sound is fetched first: what is laid down is whole.
        const said = async () => {
          const ready = await saidAgain(items)
          store.together(() => {
            for (const { item, sound } of ready) store.add(on.id, [item], ...(sound ? [sound] : []))
            marked()
          })
          counted()
        }
        void said().catch(sayProblem)
        return
      }
      store.together(() => {
        store.add(on.id, items)
        marked()
      })
      if (isNew) void keepRemarks([remark]).then(counted).catch(sayProblem)
      else counted()
    },
    [store, pages, page, marks],
  )
}

/** Where feedback to a question lies free: on which page of the copy, and at which place of it. */
export function freeAt(
  { question, page: index }: MarkedQuestion,
  items: readonly Item[],
  store: CopyStore,
  pages: readonly WorksheetPage[],
  questions: readonly Question[],
): { on: WorksheetPage; at: Point } {
  const on = pages[index]!
  const area = question.areas.find((each) => each.page === on.id)!
  const there = inSight(pageOf(store.view.getState().log, on.id))
  const feedback = there.flatMap(({ item, layer }) =>
    layer === 'feedback' && canBePicked(item) ? [item] : [],
  )
  const written = there.flatMap(({ item, layer }) =>
    layer === 'work' &&
    item.kind === 'stroke' &&
    questionOf(questions, on.id, boundsOfItem(item)) === question
      ? [item]
      : [],
  )
  return { on, at: placeForRemark({ items: [...items] }, area, written, feedback) }
}

const questionAt = ({ questions }: Marks, page: string, items: readonly Item[]) =>
  questionOf(
    questions.map((of) => ({ areas: of.question.areas, of })),
    page,
    boundsAround(items)!,
  )?.of
