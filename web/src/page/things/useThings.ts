import { fitThing, type Placed, type Thing } from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { CopyStore } from '../copyStore.ts'
import { measure } from '../draw/letters.ts'
import type { Picking } from '../picking/usePicking.ts'
import type { Tools } from '../useTools.ts'

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

/** Laying things on a page and typing in them. Every rest while typing keeps the words. */
export function useThings(
  store: CopyStore,
  page: string,
  placed: readonly Placed[],
  picking: Picking,
  tools: Tools,
): Things {
  const [typing, setTyping] = useState<Thing>()
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const now = useRef({ typing, placed, page })
  now.current = { typing, placed, page }

  const keep = useCallback(() => {
    clearTimeout(timer.current)
    const { typing: thing, placed: there, page: on } = now.current
    if (!thing) return
    const was = there.find(({ item }) => item.id === thing.id)?.item as Thing | undefined
    const empty = wordsOf(thing).trim() === ''
    if (!was && !empty) store.add(on, [thing])
    else if (was && empty) store.take(on, [thing.id])
    else if (was && wordsOf(was) !== wordsOf(thing))
      store.act(on, { act: 'change', item: thing.id, set: { thing }, was: { thing: was } })
  }, [store])

  const done = useCallback(() => {
    keep()
    setTyping(undefined)
  }, [keep])
  // Leaving the page keeps what was typed on it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each page
  useEffect(() => done, [page])

  return useMemo(() => {
    const add: Things['add'] = (thing, bytes) => {
      store.add(page, [thing], bytes)
      tools.setTool('pick')
      picking.pick([thing.id])
    }
    return {
      typing,
      putDown(thing) {
        if (!hasWords(thing)) return add(thing)
        done()
        picking.letGo()
        setTyping(fitThing(thing, measure))
      },
      open(thing) {
        if (!hasWords(thing)) return
        picking.letGo()
        setTyping(thing)
      },
      type(words) {
        setTyping((before) => before && fitThing({ ...before, text: words } as Thing, measure))
        clearTimeout(timer.current)
        timer.current = setTimeout(keep, REST)
      },
      done() {
        const thing = now.current.typing
        done()
        if (!thing || wordsOf(thing).trim() === '') return
        tools.setTool('pick')
        picking.pick([thing.id])
      },
      add,
    }
  }, [store, page, typing, picking, tools, done, keep])
}

export const hasWords = (thing: Thing): boolean => thing.kind === 'text' || thing.kind === 'direction'
const wordsOf = (thing: Thing): string => ('text' in thing ? thing.text : '')
