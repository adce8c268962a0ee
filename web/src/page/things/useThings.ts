import { fitThing, type Thing } from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { CopyStore } from '../copyStore.ts'
import { measure } from '../draw/letters.ts'
import type { Picking } from '../picking/usePicking.ts'

/** Words typed are kept when nothing was typed for this long, in milliseconds; a killed tab loses no more. */
const REST = 500

/** Things with words, and the words that are being typed now. */
export interface Things {
  /** The thing whose words are being typed, as it is now. */
  readonly typing: Thing | undefined
  putDown(thing: Thing): void
  /** Begins to type in a thing that is there. */
  open(thing: Thing): void
  type(words: string): void
  done(): void
  /** Puts a thing that is ready, and picks it up. */
  add(thing: Thing, bytes?: { recording: string; bytes: Blob }): void
}

/** Words that are being typed belong to the page they were begun on, whatever is shown by the time they are kept. */
interface Typing {
  readonly thing: Thing
  readonly page: string
  readonly store: CopyStore
}

/** Laying things on a page and typing in them. Every rest while typing keeps the words. */
export function useThings(store: CopyStore, page: string, picking: Picking): Things {
  const [typing, setTyping] = useState<Typing>()
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef<Typing>(undefined)
  latest.current = typing

  const keep = useCallback(() => {
    clearTimeout(timer.current)
    if (latest.current) keepWords(latest.current)
  }, [])
  const done = useCallback(() => {
    keep()
    setTyping(undefined)
  }, [keep])
  // Leaving the page keeps what was typed on it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each page
  useEffect(() => done, [store, page])

  return useMemo(() => {
    const add: Things['add'] = (thing, bytes) => {
      done()
      store.add(page, [thing], bytes)
      picking.pick([thing.id])
    }
    return {
      typing: typing?.store === store && typing.page === page ? typing.thing : undefined,
      putDown(thing) {
        if (!hasWords(thing)) return add(thing)
        done()
        picking.letGo()
        setTyping({ store, page, thing: fitThing(thing, measure) })
      },
      open(thing) {
        if (!hasWords(thing)) return
        picking.letGo()
        setTyping({ store, page, thing })
      },
      type(words) {
        setTyping(
          (before) =>
            before && { ...before, thing: fitThing({ ...before.thing, text: words } as Thing, measure) },
        )
        clearTimeout(timer.current)
        timer.current = setTimeout(keep, REST)
      },
      done() {
        const thing = latest.current?.thing
        done()
        if (!thing || wordsOf(thing).trim() === '') return
        picking.pick([thing.id])
      },
      add,
    }
  }, [store, page, typing, picking, done, keep])
}

/** Keeps the words as they are now: a new thing, other words, or, with none left, no thing. */
function keepWords({ thing, page, store }: Typing): void {
  const was = store.itemOn(page, thing.id) as Thing | undefined
  const empty = wordsOf(thing).trim() === ''
  if (!was && !empty) store.add(page, [thing])
  else if (was && empty) store.take(page, [thing.id])
  else if (was && wordsOf(was) !== wordsOf(thing))
    store.act(page, { act: 'change', item: thing.id, set: { thing }, was: { thing: was } })
}

export const hasWords = (thing: Thing): boolean => thing.kind === 'text' || thing.kind === 'direction'
const wordsOf = (thing: Thing): string => ('text' in thing ? thing.text : '')
