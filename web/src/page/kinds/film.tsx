import { CALLS } from '@hand-back/core'
import { urlOf } from '../../api/ask.ts'
import { FilmInPlace } from '../film/FilmInPlace.tsx'
import type { PageKind } from './pageKind.ts'

export const film: PageKind<'film'> = {
  Control: ({ item, view }) => (
    <FilmInPlace film={item} source={urlOf(CALLS.file, { file: item.file })} view={view} />
  ),
  worksToRead: true,
}
