import {
  type AnswerValue,
  answersIn,
  bottom,
  choiceRows,
  type Item,
  optionsOf,
  type Printed,
  type PrintedItem,
  slidOf,
  textOf,
  type WorksheetPage,
} from '@hand-back/core'
import { measure } from '../draw/letters.ts'
import { toScreen, type View } from '../view.ts'
import { onScreen } from './onScreen.ts'
import { PhotoPlace } from './PhotoPlace.tsx'
import { SpeakPlace } from './SpeakPlace.tsx'
import { TypedBox } from './TypedBox.tsx'

export interface AnswerActs {
  answer(place: string, value: AnswerValue): void
  /** What is being typed, at every letter; nothing: it was answered. */
  typing(place: string, text: string | undefined): void
  speak(place: Printed<'speak'>, sound: { bytes: Blob; seconds: number }): void
  photo(place: Printed<'photo'>, photo: { bytes: Blob; width: number; height: number }): void
  turnTo(page: string): void
}

interface AnswerPlacesProps {
  page: WorksheetPage
  items: readonly Item[]
  view: View
  /** Left out: only to read. Links work all the same. */
  acts: AnswerActs
  open: boolean
}

/** Everything on a page that takes an answer or a press, laid over it, in the order in which it reads. */
export function AnswerPlaces({ page, items, view, acts, open }: AnswerPlacesProps) {
  const answers = answersIn(items)
  const inOrder = [...page.printed].sort((a, b) => a.y - b.y || a.x - b.x)
  return inOrder.map((item) => (
    <Place
      key={item.id}
      item={item}
      value={answers.get(item.id)?.value}
      answered={items.some((each) => each.kind === 'photo' && each.place === item.id)}
      view={view}
      acts={acts}
      open={open}
    />
  ))
}

interface PlaceProps {
  item: PrintedItem
  value: AnswerValue | undefined
  answered: boolean
  view: View
  acts: AnswerActs
  open: boolean
}

function Place({ item, value, answered, view, acts, open }: PlaceProps) {
  if (item.kind === 'link') return <LinkPlace item={item} view={view} acts={acts} />
  if (!open) return null
  switch (item.kind) {
    case 'typed':
      return (
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
      )
    case 'choice':
      return (
        <Options
          item={item}
          chosen={optionsOf(value)}
          view={view}
          onChoose={(options) => acts.answer(item.id, { options })}
        />
      )
    case 'plot':
      return (
        <Sliders
          item={item}
          slid={slidOf(value)}
          view={view}
          onSlide={(slid) => acts.answer(item.id, { slid })}
        />
      )
    case 'speak':
      return <SpeakPlace item={item} view={view} onRecorded={(sound) => acts.speak(item, sound)} />
    case 'photo':
      return (
        <PhotoPlace
          item={item}
          view={view}
          answered={answered}
          onPhoto={(photo) => acts.photo(item, photo)}
        />
      )
    default:
      return null
  }
}

function Options({
  item,
  chosen,
  view,
  onChoose,
}: {
  item: Printed<'choice'>
  chosen: readonly string[]
  view: View
  onChoose: (options: string[]) => void
}) {
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

/** The parameters that are left to the student, under the plot. */
function Sliders({
  item,
  slid,
  view,
  onSlide,
}: {
  item: Printed<'plot'>
  slid: Readonly<Record<string, number>>
  view: View
  onSlide: (slid: Record<string, number>) => void
}) {
  const open = item.parameters.filter((parameter) => parameter.open)
  if (open.length === 0) return null
  const at = toScreen(view, { x: item.x, y: bottom(item) })
  return (
    <div
      data-takes="all"
      className="pointer-events-auto absolute flex flex-wrap gap-3 rounded-tag border border-rule bg-card px-3 py-1"
      style={{ left: at.x, top: at.y }}
    >
      {open.map(({ name, value, from, to }) => {
        const now = slid[name] ?? value
        return (
          <label key={name} className="flex min-h-[44px] items-center gap-2">
            <b className="font-serif italic">{name}</b>
            <input
              type="range"
              min={from}
              max={to}
              step={(to - from) / 100}
              value={now}
              onChange={(event) => onSlide({ ...slid, [name]: Number(event.target.value) })}
              className="w-32 accent-verdigris"
            />
            <span className="tabular w-12">{Number(now.toFixed(2))}</span>
          </label>
        )
      })}
    </div>
  )
}

function LinkPlace({ item, view, acts }: { item: Printed<'link'>; view: View; acts: AnswerActs }) {
  const { to } = item
  const shared = {
    'data-takes': 'typing',
    className: 'pointer-events-auto absolute rounded-sm',
    style: onScreen(view, item),
  }
  if (to.kind === 'page')
    return (
      <button
        type="button"
        aria-label={item.text || 'Go to the page'}
        onClick={() => acts.turnTo(to.page)}
        {...shared}
      />
    )
  if (to.url === '') return null
  return (
    <a href={to.url} target="_blank" rel="noreferrer noopener" aria-label={item.text || to.url} {...shared} />
  )
}
