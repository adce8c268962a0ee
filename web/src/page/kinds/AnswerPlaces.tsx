import { answersIn, type Item, type PrintedItem, type WorksheetPage } from '@hand-back/core'
import type { ReactNode } from 'react'
import type { View } from '../view/view.ts'
import { PAGE_KINDS } from './index.ts'
import type { AnswerActs, ControlProps } from './pageKind.ts'

interface AnswerPlacesProps {
  page: WorksheetPage
  items: readonly Item[]
  view: View
  /** Left out: only to read. Links work all the same. */
  acts: AnswerActs
  open: boolean
  /** Whether a place takes answers in this go. */
  isOpen: (place: PrintedItem) => boolean
}

/** Everything on a page that takes an answer or a press, laid over it, in the order in which it reads. */
export function AnswerPlaces({ page, items, view, acts, open, isOpen }: AnswerPlacesProps) {
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
      open={open && isOpen(item)}
    />
  ))
}

interface PlaceProps extends ControlProps<PrintedItem['kind']> {
  open: boolean
}

function Place({ open, ...props }: PlaceProps) {
  const { Control, worksToRead = false } = PAGE_KINDS[props.item.kind]
  const There = Control as ((props: ControlProps<PrintedItem['kind']>) => ReactNode) | undefined
  return There && (open || worksToRead) ? <There {...props} /> : null
}
