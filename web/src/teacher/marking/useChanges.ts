import {
  asHandedIn,
  type Box,
  boundsOfBox,
  boundsOfItem,
  boxOfBounds,
  CALLS,
  differenceOf,
  emptyPage,
  type Item,
  inOrder,
  lyingTogether,
  type Page,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { ask } from '../../api/ask.ts'
import { keyOf } from '../../api/queries.ts'

/** What became other on a page since the round before. */
export interface Changes {
  /** Where something is new or other. */
  readonly fresh: readonly Box[]
  /** Where something was that is gone. */
  readonly gone: readonly Box[]
  /** Ink that is gone, pale, as it was. */
  readonly pale: readonly Stroke[]
}

/** The colour of ink that is gone. */
const PALE = '#b9b2a3'

/** What a student changed on a page since the round before; nothing until the past of the copy is known, and unless `shown`. */
export function useChanges(
  copy: string,
  page: WorksheetPage,
  now: Page,
  round: number,
  shown: boolean,
): Changes | undefined {
  const { data } = useQuery({
    // Looking back asks for the same, and adds what waits on this device: each has its own answer.
    queryKey: [...keyOf(CALLS.log, { copy }), 'round before'],
    queryFn: () => ask(CALLS.log, { copy }),
    enabled: shown,
    staleTime: 0,
    gcTime: 0,
  })
  const before = useMemo(() => data && asHandedIn(inOrder(data), round - 1), [data, round])
  return useMemo(() => {
    if (!shown || !before) return undefined
    const { fresh, gone } = differenceOf(before.get(page.id) ?? emptyPage, now)
    const boxesOf = (items: readonly Item[]) =>
      lyingTogether(items.filter(hasPlace(page)), boundsOn(page)).map(({ bounds }) => boxOfBounds(bounds))
    return {
      fresh: boxesOf(fresh),
      gone: boxesOf(gone),
      pale: gone.flatMap((item) => (item.kind === 'stroke' ? [{ ...item, colour: PALE }] : [])),
    }
  }, [shown, before, page, now])
}

/** An answer lies where its place is printed. */
const printedOf = (page: WorksheetPage, item: Item) =>
  item.kind === 'answer' ? page.printed.find(({ id }) => id === item.place) : undefined
const hasPlace = (page: WorksheetPage) => (item: Item) =>
  item.kind !== 'answer' || printedOf(page, item) !== undefined
const boundsOn = (page: WorksheetPage) => (item: Item) => {
  const printed = printedOf(page, item)
  return printed ? boundsOfBox(printed) : boundsOfItem(item)
}
