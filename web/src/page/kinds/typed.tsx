import { textOf } from '@hand-back/core'
import { TypedBox } from '../answers/TypedBox.tsx'
import type { PageKind } from './pageKind.ts'

export const typed: PageKind<'typed'> = {
  Control: ({ item, value, view, acts }) => (
    <TypedBox
      item={item}
      text={textOf(value)}
      view={view}
      onLetter={(text) => acts.typing(item.id, text)}
      onType={(text) => {
        acts.answer(item.id, { text })
        acts.typing(item.id, undefined)
      }}
    />
  ),
}
