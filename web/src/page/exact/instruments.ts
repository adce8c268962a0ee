import type { DrawnAlong, EdgeGuide, Guide, Instrument, Point } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand'

/** What lies on the page to draw along, and what was drawn along it last. It belongs to nobody's copy: it is laid down and taken up again. */
export interface Laid {
  readonly instrument: Instrument | undefined
  readonly drawn: DrawnAlong | undefined
}

export interface Instruments {
  readonly state: StoreApi<Laid>
  /** Lays one down in place of what lay there. */
  layDown(instrument: Instrument, guideAt: GuideAt): void
  /** Lays it otherwise. */
  lay(instrument: Instrument): void
  takeUp(): void
  /** What guides a stroke that begins at a place, and is measured as it goes. */
  guideAt(at: Point, reach: number): Guide | undefined
}

/** What guides along an instrument (core's `guideAt`): it comes with the first that is laid down. */
type GuideAt = (instrument: Instrument, at: Point, reach: number) => EdgeGuide | undefined

/** A page's instruments: apart from what React draws, because they move with every move of a hand. */
export function layInstruments(): Instruments {
  const state = createStore<Laid>(() => ({ instrument: undefined, drawn: undefined }))
  let guideAt: GuideAt = () => undefined
  return {
    state,
    layDown(instrument, by) {
      guideAt = by
      state.setState({ instrument, drawn: undefined })
    },
    lay: (instrument) => state.setState({ instrument, drawn: undefined }),
    takeUp: () => state.setState({ instrument: undefined, drawn: undefined }),
    guideAt(at, reach) {
      const { instrument } = state.getState()
      const edge = instrument && guideAt(instrument, at, reach)
      return (
        edge && {
          next(sample) {
            const place = edge.next(sample)
            state.setState({ drawn: edge.drawn })
            return place
          },
          end: () => edge.end(),
        }
      )
    },
  }
}
