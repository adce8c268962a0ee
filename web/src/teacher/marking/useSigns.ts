import {
  boundsOfItem,
  inSight,
  type PageEvent,
  type Point,
  pageOf,
  questionOf,
  type Sign,
  type SignForm,
  signAlong,
  signPlace,
  timesA4,
  type WorksheetPage,
} from '@hand-back/core'
import { type RefObject, useCallback, useEffect, useRef } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import type { Tools } from '../../page/tools/useTools.ts'
import type { MarkedQuestion, Marks } from './useMarks.ts'

/**
 * Signs of feedback by key: in the question whose marks are being given, or where the mouse is on the page.
 * A sign that gives marks gives them to the question it is put at, and takes them away with it.
 */
export function useSigns(
  store: CopyStore,
  pages: readonly WorksheetPage[],
  page: WorksheetPage,
  marks: Marks,
  tools: Pick<Tools, 'carries'>,
  surface: RefObject<Surface | undefined>,
  writes: boolean,
) {
  const latest = useRef(marks)
  latest.current = marks
  useEffect(() => {
    store.goesAlong((event) => alongSigns(event, store, latest.current))
    return () => store.goesAlong(undefined)
  }, [store])

  const mouse = useRef<PointerEvent>(undefined)
  useEffect(() => {
    const moved = (event: PointerEvent) => {
      mouse.current = event.pointerType === 'touch' ? undefined : event
    }
    addEventListener('pointermove', moved)
    return () => removeEventListener('pointermove', moved)
  }, [])

  const put = useCallback(
    (form: SignForm, on: WorksheetPage, way: readonly Point[]) => {
      const made = signAlong(form, way, on, timesA4(on), tools.carries[form] ?? 0)
      store.add(on.id, [{ ...made, id: crypto.randomUUID() }])
    },
    [store, tools.carries],
  )
  /** In the area of a question, beside the signs that are there. */
  const putAt = useCallback(
    ({ question, page: index }: MarkedQuestion, form: SignForm) => {
      const on = pages[index]!
      const area = question.areas.find(({ page: of }) => of === on.id)!
      const inIt = inSight(pageOf(store.view.getState().log, on.id)).filter(
        ({ item }) => item.kind === 'sign' && questionOf([question], on.id, boundsOfItem(item)),
      )
      put(form, on, signPlace(form, area, inIt.length))
    },
    [pages, store, put],
  )
  const putHere = useCallback(
    (form: SignForm): boolean => {
      const on = surface.current
      const at = (mouse.current && on?.placeUnder(mouse.current)) ?? on?.middle()
      if (!writes || !at) return false
      put(form, page, [at])
      return true
    },
    [writes, surface, put, page],
  )
  return { putAt, putHere }
}

/** What goes along with signs that give marks: marks for their question, or away again. */
function alongSigns(event: PageEvent, store: CopyStore, marks: Marks): void {
  const signs = signsIn(event, store).filter(({ carries = 0 }) => carries > 0)
  const by = new Map<MarkedQuestion, number>()
  for (const sign of signs) {
    const question = questionOf(
      marks.questions.map((of) => ({ areas: of.question.areas, of })),
      event.page,
      boundsOfItem(sign),
    )?.of
    if (question) by.set(question, (by.get(question) ?? 0) + sign.carries! * (event.act === 'add' ? 1 : -1))
  }
  for (const [{ question }, more] of by) marks.giveMore(question, more)
}

function signsIn(event: PageEvent, store: CopyStore): Sign[] {
  if (event.act === 'add') return event.items.filter((item) => item.kind === 'sign')
  if (event.act !== 'take') return []
  return event.items.flatMap((id) => {
    const item = store.itemOn(event.page, id)
    return item?.kind === 'sign' ? [item] : []
  })
}
