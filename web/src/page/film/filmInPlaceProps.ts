import type { Film } from '@hand-back/core'
import type { View } from '../view/view.ts'

/** A film that lies on a page. */
export interface FilmInPlaceProps {
  film: Pick<Film, 'x' | 'y' | 'width' | 'height' | 'seconds' | 'alt' | 'captions'>
  /** Where it is to be had. */
  source: string
  view: View
}
