import { textOf } from '@hand-back/core'
import { SpeakPlace } from '../answers/SpeakPlace.tsx'
import type { PageKind } from './pageKind.ts'
import { typing } from './typing.ts'

export const speak: PageKind<'speak'> = {
  Control: ({ item, value, view, acts }) => (
    <SpeakPlace
      item={item}
      text={textOf(value)}
      view={view}
      speaking={acts.speaking}
      onSpeak={() => acts.speak(item)}
      {...typing(acts, item.id)}
    />
  ),
}
