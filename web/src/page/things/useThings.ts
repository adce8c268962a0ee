import { fitThing, type Thing } from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { hasWords, keepWords, wordsOf } from '../copy/keepWords.ts'
import type { Attachment } from '../device/keepsake.ts'
import { measure } from '../draw/letters.ts'
import type { Picking } from '../picking/usePicking.ts'

/** Words typed become an event when nothing was typed for this long, in milliseconds, and while one types on and on … */
const REST = 500
/** … this often. The device keeps every letter at once. */
const AT_LEAST_EVERY = 3000

/** Things with words, and the words that are being typed now. */
export interface Things {
  /** The thing whose words are being typed, as it is now. */
  readonly typing: Thing | undefined
  /** `goesOn`: it is not picked up, so that the next can be put down. */
  putDown(thing: Thing, goesOn?: boolean): void
  /** Begins to type in a thing that is there. */
  open(thing: Thing): void
  type(words: string): void
  done(): void
  /** Puts a thing that is ready, and picks it up. */
  add(thing: Thing, ...attachments: Attachment[]): void
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
  const keptAt = useRef(0)
  latest.current = typing

  const keep = useCallback(() => {
    clearTimeout(timer.current)
    keptAt.current = Date.now()
    if (!latest.current) return
    const { store: of, page: on, thing } = latest.current
    keepWords(of, on, thing)
    of.doneTyping(thing.id)
  }, [])
  const done = useCallback(() => {
    keep()
    setTyping(undefined)
  }, [keep])
  useEffect(() => {
    addEventListener('pagehide', keep)
    return () => removeEventListener('pagehide', keep)
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
      putDown(thing, goesOn = false) {
        if (goesOn) {
          done()
          store.add(page, [thing])
          return
        }
        if (!hasWords(thing)) return add(thing)
        done()
        picking.letGo()
        keptAt.current = Date.now()
        setTyping({ store, page, thing: fitThing(thing, measure) })
      },
      open(thing) {
        if (!hasWords(thing)) return
        picking.letGo()
        keptAt.current = Date.now()
        setTyping({ store, page, thing })
      },
      type(words) {
        const before = latest.current
        if (!before) return
        const thing = fitThing({ ...before.thing, text: words } as Thing, measure)
        latest.current = { ...before, thing }
        setTyping(latest.current)
        before.store.keepTyping(before.page, thing.id, { thing })
        clearTimeout(timer.current)
        if (Date.now() - keptAt.current > AT_LEAST_EVERY && keptAt.current > 0) keep()
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
