import { PhotoPlace } from '../answers/PhotoPlace.tsx'
import type { PageKind } from './pageKind.ts'

export const photo: PageKind<'photo'> = {
  Control: ({ item, view, answered, acts }) => (
    <PhotoPlace item={item} view={view} answered={answered} onPhoto={(photo) => acts.photo(item, photo)} />
  ),
}
