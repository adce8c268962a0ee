import type { Item } from '@hand-back/core'
import type { View } from '../view/view.ts'
import { FilmInPlace } from './FilmInPlace.tsx'

interface LaidFilmsProps {
  items: readonly Item[]
  view: View
  /** Where the attachments of the copy are to be had. */
  urlOf: (name: string) => string
}

/** The films that people put on a page, to be played where they lie. */
export function LaidFilms({ items, view, urlOf }: LaidFilmsProps) {
  return items.map((item) =>
    item.kind === 'film' ? (
      <FilmInPlace key={item.id} film={item} source={asFilm(urlOf(item.file))} view={view} />
    ) : null,
  )
}

/** Said to school, so that it comes as what players take for a film; what is on this device needs no telling. */
const asFilm = (url: string) => (url.startsWith('blob:') ? url : `${url}?film`)
