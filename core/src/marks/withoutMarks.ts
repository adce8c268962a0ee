import type { Item } from '../kinds/items.ts'
import type { KeptEvent } from '../log/events.ts'
import { type CopyStanding, mayRead, type Role } from '../log/layers.ts'

/** What of a copy decides what its student is told of its feedback. */
export interface Telling extends Pick<CopyStanding, 'state' | 'round'> {
  /** The rounds of which the marks stay with the teacher: they went back without them. */
  readonly withoutMarks: readonly number[]
}

/**
 * A kept event as somebody with a place in the copy may know it; nothing where `mayRead` refuses it. Of a round that went back
 * without its marks, an event keeps its place in the order and tells nothing of marks; `withheld` says that it did, so
 * that a device reads it again once they are given.
 */
export function toldTo(role: Role, copy: Telling, event: KeptEvent): KeptEvent | undefined {
  if (!mayRead(role, copy, event.layer, event.round)) return undefined
  const hides = role === 'student' && event.layer === 'feedback' && copy.withoutMarks.includes(event.round)
  return hides ? withoutMarks(event) : event
}

/** Whether an event tells of marks. */
export const tellsOfMarks = (event: KeptEvent): boolean => !event.withheld && withoutMarks(event) !== event

function withoutMarks(event: KeptEvent): KeptEvent {
  if (event.act === 'change') {
    const { set, was } = event
    if (set.given === undefined && was.given === undefined) return event
    if (set.level === undefined) return nothing(event)
    return { ...event, set: { ...set, given: 0 }, was: { ...was, given: 0 }, withheld: true }
  }
  if (event.act !== 'add' && event.act !== 'swap') return event
  const items = event.items.flatMap(itemWithoutMarks)
  if (items.length === event.items.length && items.every((item, index) => item === event.items[index]))
    return event
  return { ...event, items, withheld: true }
}

const nothing = ({ act: _act, item: _item, set: _set, was: _was, ...event }: Changed): KeptEvent => ({
  ...event,
  act: 'take',
  items: [],
  withheld: true,
})

type Changed = Extract<KeptEvent, { act: 'change' }>

/** What is left of an item without marks. The level that a criterion reached is words; only its marks stay. */
export function itemWithoutMarks(item: Item): Item[] {
  if (item.kind === 'mark') return item.level ? [{ ...item, given: 0, full: 0 }] : []
  if (item.kind !== 'sign' || item.carries === undefined) return [item]
  const { carries: _carries, ...sign } = item
  return [sign]
}

/** The rounds that are without marks once this one goes back, with its marks or without. */
export function afterGoing(before: readonly number[], round: number, withMarks: boolean): readonly number[] {
  const others = before.filter((each) => each !== round)
  return withMarks ? others : [...others, round]
}
