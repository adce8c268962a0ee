import { choiceRows, optionsOf } from '@hand-back/core'
import { onScreen } from '../answers/onScreen.ts'
import { measure } from '../draw/letters.ts'
import type { ControlProps, PageKind } from './pageKind.ts'

export const choice: PageKind<'choice'> = { Control: Options }

function Options({ item, value, view, acts }: ControlProps<'choice'>) {
  const chosen = optionsOf(value)
  const onChoose = (options: string[]) => acts.answer(item.id, { options })
  const press = (id: string, on: boolean) => {
    if (!item.many) return onChoose(on ? [id] : [])
    onChoose(
      item.options.map((option) => option.id).filter((each) => (each === id ? on : chosen.includes(each))),
    )
  }
  return (
    <fieldset className="contents" aria-label={item.label || 'Choose'}>
      {choiceRows(item, measure).map(({ option, box }) => (
        <input
          key={option.id}
          type={item.many ? 'checkbox' : 'radio'}
          name={item.id}
          aria-label={option.text || 'option'}
          data-takes="typing"
          checked={chosen.includes(option.id)}
          onChange={(event) => press(option.id, event.target.checked)}
          // A chosen one is pressed again to take it back.
          onClick={() => !item.many && chosen.includes(option.id) && press(option.id, false)}
          className="pointer-events-auto absolute cursor-pointer appearance-none rounded-sm bg-transparent"
          style={onScreen(view, box)}
        />
      ))}
    </fieldset>
  )
}
