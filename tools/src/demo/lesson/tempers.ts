/** How somebody of the pretend class works. Times in milliseconds. */
export interface Temper {
  /** Opens the copy so long after the lesson began; never: stays away. */
  readonly comesAfter: number | 'never'
  /** Between two strokes. */
  readonly pace: number
  /** Stops to think after so many strokes, for so long. */
  readonly thinksAfter: number
  readonly thinksFor: number
  /** Gets stuck after so many strokes, and goes on only once helped. */
  readonly stuckAfter?: number
  /** Being stuck, puts a hand up after so long; left out: sits still. */
  readonly asksAfter?: number
  /** Nothing was done for so long before the teacher came. */
  readonly stillFor?: number
  /** Looks at something else after so many strokes, for so long. */
  readonly away?: { readonly after: number; readonly for: number }
  /** Gets something wrong. */
  readonly slips: boolean
}

const SECOND = 1000
const MINUTE = 60 * SECOND

/** Those who are stuck, by their number in the class: two ask in turn, one sits still and says nothing. */
const STUCK: Readonly<Record<number, Partial<Temper>>> = {
  7: { stuckAfter: 30, asksAfter: 5 * SECOND },
  14: { stuckAfter: 12, stillFor: 6 * MINUTE },
  19: { stuckAfter: 45, asksAfter: 20 * SECOND },
}
const OTHERS: Readonly<Record<number, Partial<Temper>>> = {
  3: { comesAfter: 70 * SECOND },
  9: { away: { after: 40, for: 50 * SECOND } },
  16: { comesAfter: 3 * MINUTE },
  22: { comesAfter: 'never' },
}

/** The temper of somebody, by their number in the class from 0: always the same. */
export function temperOf(index: number): Temper {
  return {
    comesAfter: (index % 6) * 0.6 * SECOND,
    pace: 450 + ((index * 37) % 9) * 130,
    thinksAfter: 14 + ((index * 11) % 23),
    thinksFor: (3 + ((index * 7) % 12)) * SECOND,
    slips: index % 5 === 2,
    ...STUCK[index],
    ...OTHERS[index],
  }
}
