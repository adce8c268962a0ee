import { fullOf, type Person, type Question, type Swatch } from '@hand-back/core'
import { useMemo } from 'react'
import { useMarkStep } from '../marking/MarkingChoices.tsx'
import type { StripLook } from './AnswerStrip.tsx'
import type { StripSize } from './bundles.ts'

/** Columns of strips are so wide at least, in CSS pixels; a strip is at most so large, in CSS pixels a point. */
const COLUMN: Record<StripSize, number> = { small: 390, large: 600 }
const LARGEST = 1.6
/** Beside the picture of a strip, in CSS pixels: its marks and its rims. */
const BESIDE = 174
/** The least width of a picture, in CSS pixels. */
const LEAST = 120

interface StripLookOn {
  readonly question: Question
  readonly handout: string
  readonly person: Person
  readonly swatch: Swatch
  readonly byMouse: boolean
  readonly size: StripSize
  /** So much of the page is seen around the area, in points. */
  readonly more: number
  /** So many heaps there are. */
  readonly heaps: number
  /** In CSS pixels. */
  readonly roomWidth: number
}

/** In how many columns heaps and the other strips stand, and how a strip looks. */
export function useStripLook(on: StripLookOn): { heapColumns: number; columns: number; look: StripLook } {
  const { question, handout, person, swatch, byMouse, size, more, heaps, roomWidth } = on
  const step = useMarkStep(person)
  const all = Math.max(1, Math.floor(roomWidth / COLUMN[size]))
  const heapColumns = heaps === 0 ? 0 : Math.max(1, Math.min(heaps, all - 1))
  const columns = Math.max(1, all - heapColumns)
  const width = Math.max(LEAST, roomWidth / (heapColumns + columns) - BESIDE)
  const widest = Math.max(1, ...question.areas.map((area) => area.width + 2 * more))
  const look = useMemo(
    (): StripLook => ({
      ...{ width, swatch, byMouse, step },
      scale: Math.min(LARGEST, width / widest),
      person: person.id,
      full: fullOf(question),
      pile: `/handout/${handout}/pile`,
    }),
    [width, widest, swatch, byMouse, step, person.id, question, handout],
  )
  return { heapColumns, columns, look }
}
