import {
  type CopyWhole,
  type Item,
  MOST_PIN_STROKES,
  type Page,
  type Person,
  type Pin,
  type PinAnswer,
  type PinInk,
  type Pinned,
  type Point,
  pageOf,
  pinsOn,
  saidBy,
  secondAt,
  wordsFound,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from '../copy/copyStore.ts'
import { useHabits } from '../habits/useHabits.ts'
import type { Made } from '../voice/speaking.ts'

/** What is said at the places of a page, and saying something there. */
export interface Pins {
  /** The places, among the pages, of those with pins that are not done. */
  readonly pages: ReadonlySet<number>
  readonly on: readonly Pinned[]
  /** How many of those who have the copy said something in it, and who has not; left out: only one has it. */
  readonly turnout:
    | { readonly said: number; readonly of: number; readonly missing: readonly string[] }
    | undefined
  /** Who has said nothing is told to teachers only. */
  readonly listsMissing: boolean
  /** The next press on the page says where. */
  readonly placing: boolean
  /** Where something is about to be said. */
  readonly draft: Point | undefined
  /** The pin that is read, by its id. */
  readonly open: string | undefined
  place(): void
  /** Nothing is placed, said or read any more. */
  leave(): void
  putAt(at: Point): void
  read(pin: string | undefined): void
  say(words: string): void
  answer(pin: string, words: string): void
  /** Agrees, or does not any more. */
  agree(said: Pinned | Pinned['answers'][number]): void
  /** Done, or not after all. */
  setDone(pin: Pinned): void
  takeAway(said: Pinned | Pinned['answers'][number]): void
  mayTake(author: string): boolean
  /** The words in it that a teacher wants to be told of. */
  watchedIn(words: string): readonly string[]
  isMine(author: string): boolean
  /** What is heard now, and where it is, in seconds: what was drawn meanwhile comes with it. */
  readonly heard: HeardPin | undefined
  hearing(heard: HeardPin | undefined): void
  nameOf(author: string): string
}

/** Something said at a place, by its id, as it is heard. */
export interface HeardPin {
  readonly id: string
  /** Where it is just now, in seconds. */
  now(): number
}

interface PinsOn {
  copy: CopyWhole
  store: CopyStore
  person: Person
  pages: readonly { readonly id: string }[]
  page: { readonly id: string }
}

/** What is pinned to the page that is open, for whoever has the copy and for its teachers; nothing where pins are switched off. */
export function usePins({ copy, store, person, pages, page }: PinsOn): Pins | undefined {
  const ink = useStore(store.view, ({ log }) => pageOf(log, page.id))
  const on = pinsOf(ink)
  const log = useStore(store.view, (now) => now.log)
  const pinned = useMemo(
    () => new Set(pages.flatMap(({ id }, index) => (hasOpenPins(pageOf(log, id)) ? [index] : []))),
    [pages, log],
  )
  const { students } = copy
  const [{ watchedWords = [] }] = useHabits(person.id)
  const turnout = useMemo(() => {
    if (students.length < 2) return undefined
    const said = new Set(pages.flatMap(({ id }) => [...saidBy(pinsOf(pageOf(log, id)))]))
    const missing = students.filter(({ id }) => !said.has(id)).map(({ name }) => name)
    return { said: students.length - missing.length, of: students.length, missing }
  }, [students, pages, log])
  const [placing, setPlacing] = useState(false)
  const [draft, setDraft] = useState<Point>()
  const [open, read] = useState<string>()
  const [heard, hearing] = useState<HeardPin>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: another page has places of its own
  useEffect(() => {
    setPlacing(false)
    setDraft(undefined)
    read(undefined)
  }, [copy.id, page.id])
  const names = useMemo(
    () => new Map([...copy.students, copy.teacher, ...copy.teachers].map(({ id, name }) => [id, name])),
    [copy],
  )
  const add = (item: Item) => store.pin(page.id, { act: 'add', items: [item] })
  const take = (ids: string[], free: boolean) =>
    store.pin(page.id, { act: 'take', items: ids }, free ? { free } : {})
  const begin = useCallback(() => {
    read(undefined)
    setDraft(undefined)
    setPlacing(true)
  }, [])
  if (!copy.pins) return undefined
  return {
    pages: pinned,
    turnout,
    listsMissing: person.role === 'teacher',
    on,
    placing,
    draft,
    open: on.some(({ item }) => item.id === open) ? open : undefined,
    heard,
    hearing,
    place: begin,
    leave: () => {
      setPlacing(false)
      setDraft(undefined)
      read(undefined)
    },
    putAt: (at) => {
      setPlacing(false)
      setDraft(at)
    },
    read,
    say: (words) => {
      if (!draft) return
      const pin: Pin = { id: crypto.randomUUID(), kind: 'pin', ...draft, words }
      add(pin)
      setDraft(undefined)
      read(pin.id)
    },
    answer: (to, words) => add({ id: crypto.randomUUID(), kind: 'pinAnswer', to, words }),
    agree: ({ item, agreed, agreedBy }) => {
      const mine = agreed[agreedBy.indexOf(person.id)]
      if (mine) take([mine.id], false)
      else add({ id: crypto.randomUUID(), kind: 'pinAgreed', to: item.id })
    },
    setDone: ({ item, done }) => {
      if (done.length > 0)
        take(
          done.map(({ id }) => id),
          false,
        )
      else add({ id: crypto.randomUUID(), kind: 'pinDone', to: item.id })
    },
    takeAway: ({ item, author }) => take([item.id], author !== person.id),
    mayTake: (author) => author === person.id || person.role === 'teacher',
    watchedIn: (words) => (person.role === 'teacher' ? wordsFound(words, watchedWords) : []),
    isMine: (author) => author === person.id,
    nameOf: (author) => (author === person.id ? 'You' : (names.get(author) ?? 'Somebody')),
  }
}

const hasOpenPins = (page: Page) => pinsOf(page).some(({ done }) => done.length === 0)

/** A page is never changed, only another one stands in its place: with every stroke, that one page is looked through. */
const known = new WeakMap<Page, readonly Pinned[]>()
function pinsOf(page: Page): readonly Pinned[] {
  const before = known.get(page)
  if (before) return before
  const now = pinsOn(page)
  known.set(page, now)
  return now
}

/** Pins what was spoken to its place, or answers a pin with it. */
export function pinAloud(store: CopyStore, made: Made): void {
  const { id: recording, seconds, heard, words, x, y, page, bytes, talk, drawn = [] } = made
  const ink: PinInk[] = talk
    ? drawn.map(([moment, stroke]) => ({ second: secondAt(talk, moment), stroke }))
    : []
  const said = {
    words,
    voice: { recording, seconds, ...(heard ? { heard } : {}) },
    ...(ink.length > 0 ? { drawn: ink.slice(0, MOST_PIN_STROKES) } : {}),
  }
  const id = crypto.randomUUID()
  const to = made.pin?.to
  const item: Pin | PinAnswer =
    to === undefined ? { id, kind: 'pin', x, y, ...said } : { id, kind: 'pinAnswer', to, ...said }
  store.pin(page, { act: 'add', items: [item] }, { attachment: { name: recording, bytes } })
}
