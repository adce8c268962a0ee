import {
  type CopyWhole,
  type Drawn,
  drawnGiven,
  drawnPage,
  drawnStill,
  drawnThings,
  drawnTyped,
  type Item,
  type PrintedItem,
  type WorksheetPage,
} from '@hand-back/core'
import { useEffect, useMemo, useState } from 'react'
import { lettersReady, measure } from '../draw/letters.ts'

/** Counts up once when the shipped letters can be measured, so that what was laid out is laid out again. */
export function useLetters(): number {
  const [ready, setReady] = useState(0)
  useEffect(() => void lettersReady().then(() => setReady(1)), [])
  return ready
}

/** A page of a copy to be read: everything printed with everything answered. */
export function useDrawnToRead(
  copy: Pick<CopyWhole, 'id'>,
  page: WorksheetPage,
  items: readonly Item[],
): Drawn[] {
  const letters = useLetters()
  // Ink comes with every stroke; only answers change what is drawn here.
  const answers = useAnswersOf(items)
  // biome-ignore lint/correctness/useExhaustiveDependencies: laid out again when the letters are there
  return useMemo(() => drawnPage(page, answers, copy.id, measure), [page, answers, copy.id, letters])
}

/**
 * A page of a copy to be worked on: what is typed and what can be moved lies over it instead. `elsewhere`: in the air, or
 * being typed. Boxes that are not open in this go are drawn as they were filled.
 */
export function useDrawnToWork(
  page: WorksheetPage,
  items: readonly Item[],
  elsewhere: ReadonlySet<string>,
  isOpen: (place: PrintedItem) => boolean,
): Drawn[] {
  const letters = useLetters()
  const answers = useAnswersOf(items)
  // biome-ignore lint/correctness/useExhaustiveDependencies: laid out again when the letters are there
  return useMemo(
    () => [
      ...drawnStill(page, answers, measure),
      ...drawnGiven(page, answers, measure),
      ...drawnTyped({ ...page, printed: page.printed.filter((item) => !isOpen(item)) }, answers, measure),
      ...drawnThings(
        answers.filter(({ id }) => !elsewhere.has(id)),
        measure,
      ),
    ],
    [page, answers, letters, elsewhere, isOpen],
  )
}

/** The items that are not ink or voice, the same array as long as they are the same items. */
export function useAnswersOf(items: readonly Item[]): readonly Item[] {
  const [held, setHeld] = useState<readonly Item[]>([])
  const now = items.filter(({ kind }) => kind !== 'stroke' && kind !== 'voice')
  const same = now.length === held.length && now.every((item, index) => item === held[index])
  if (!same) setHeld(now)
  return same ? held : now
}
