import {
  addressOf,
  askAnswers,
  CALLS,
  type CopyRow,
  MOST_ANSWERS_AT_ONCE,
  type Person,
  touchedNews,
} from '@hand-back/core'
import { useEffect, useState } from 'react'
import { askAt } from '../../api/ask.ts'
import { hear, live } from '../../api/live.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { AnswerStore } from './answerStore.ts'

/** So many are asked for first: what is seen at once. */
const FIRST = 30
/** What somebody wrote meanwhile is asked for at most so often, in milliseconds. */
const AT_MOST_EVERY = 1500

export interface AnswersHere {
  /** Left out until it is begun. */
  readonly store: AnswerStore | undefined
  /** Those of the copies that were asked for have all been told. */
  readonly all: boolean
  readonly error: unknown
  readonly again: () => void
}

/** The answers to a question, asked for portion by portion, and anew where somebody writes. */
export function useAnswers(
  handout: string,
  question: string,
  rows: readonly CopyRow[],
  person: Person,
): AnswersHere {
  const [store, setStore] = useState<AnswerStore>()
  const [asked, setAsked] = useState<{ all: boolean; error: unknown }>({ all: false, error: undefined })
  const [tries, setTries] = useState(0)
  const ids = rows.map(({ id }) => id).join(' ')
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked for once more when somebody wishes it
  useEffect(() => {
    const here = new AnswerStore(person.id, outboxOf(person.id))
    setStore(here)
    setAsked({ all: false, error: undefined })
    let gone = false
    const askFor = async (copies: readonly string[]) => {
      const path = addressOf(CALLS.answers, { handout, question }) + askAnswers(copies)
      const told = await askAt(CALLS.answers, path)
      if (!gone) await here.tell(told)
    }
    const askAll = async () => {
      try {
        for (const some of portionsOf(ids === '' ? [] : ids.split(' '))) {
          if (gone) return
          await askFor(some)
        }
        if (!gone) setAsked({ all: true, error: undefined })
      } catch (error) {
        if (!gone) setAsked({ all: false, error })
      }
    }
    void askAll()
    const touched = new Set<string>()
    let coming: ReturnType<typeof setTimeout> | undefined
    const askTouched = () => {
      coming = undefined
      const copies = [...touched].slice(0, MOST_ANSWERS_AT_ONCE)
      touched.clear()
      // What is missed now is asked for with the next that is written.
      if (copies.length > 0) void askFor(copies).catch(() => {})
    }
    const socket = live()
    const back = () => void askAll()
    const stops = [
      hear(socket, 'touched', touchedNews, ({ handout: of, copy }) => {
        if (of !== handout) return
        touched.add(copy)
        coming ??= setTimeout(askTouched, AT_MOST_EVERY)
      }),
      hear(socket, 'handout', touchedNews.shape.handout, (of) => of === handout && back()),
    ]
    socket.on('connect', back)
    return () => {
      gone = true
      clearTimeout(coming)
      socket.off('connect', back)
      for (const stop of stops) stop()
      here.close()
    }
  }, [handout, question, ids, person.id, tries])
  return { store, ...asked, again: () => setTries((before) => before + 1) }
}

/** A few first, so that there is something to look at; then as many as can be asked for at once. */
function* portionsOf(ids: readonly string[]): Generator<readonly string[]> {
  if (ids.length > 0) yield ids.slice(0, FIRST)
  for (let at = FIRST; at < ids.length; at += MOST_ANSWERS_AT_ONCE)
    yield ids.slice(at, at + MOST_ANSWERS_AT_ONCE)
}
