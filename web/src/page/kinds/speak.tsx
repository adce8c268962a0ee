import { SpeakPlace } from '../answers/SpeakPlace.tsx'
import type { PageKind } from './pageKind.ts'

export const speak: PageKind<'speak'> = {
  Control: ({ item, view, acts }) => (
    <SpeakPlace item={item} view={view} speaking={acts.speaking} onSpeak={() => acts.speak(item)} />
  ),
}
