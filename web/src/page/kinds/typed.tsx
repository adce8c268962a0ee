import { textOf, typedArea } from '@hand-back/core'
import { ReadOwnText } from '../answers/ReadOwnText.tsx'
import { TypedBox } from '../answers/TypedBox.tsx'
import { measure } from '../draw/letters.ts'
import type { PageKind } from './pageKind.ts'
import { typing } from './typing.ts'

export const typed: PageKind<'typed'> = {
  Control: ({ item, value, view, acts }) => (
    <>
      <TypedBox
        area={typedArea(item, measure)}
        label={item.label}
        size={item.size}
        takes={item.takes}
        text={textOf(value)}
        view={view}
        {...typing(acts, item.id)}
      />
      {item.takes === 'lines' && textOf(value).trim() !== '' && (
        <ReadOwnText item={item} view={view} speaking={acts.speaking} onSpeak={() => acts.speak(item)} />
      )}
    </>
  ),
}
