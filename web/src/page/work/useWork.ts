import {
  type Box,
  boxOfBounds,
  type CopyWhole,
  type Instrument,
  type Item,
  isThing,
  type Person,
  type Placed,
  type Stroke,
  seenBox,
  signAlong,
  snapLines,
  type Thing,
  timesA4,
  type WorksheetPage,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { importAgain } from '../../ui/importAgain.ts'
import { sayProblem } from '../../ui/notices.ts'
import { useCopyPaste } from '../clipboard/useCopyPaste.ts'
import { useWorkClipboard } from '../clipboard/useWorkClipboard.ts'
import { useCloseUp } from '../closeUp/useCloseUp.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { layInstruments } from '../exact/instruments.ts'
import { useFill } from '../fill/useFill.ts'
import type { KeyGroup } from '../keys/keyActs.ts'
import { useKeys } from '../keys/useKeys.ts'
import { useNeat } from '../neat/useNeat.ts'
import { useKeyedInSight } from '../picking/useKeyedInSight.ts'
import { usePicking } from '../picking/usePicking.ts'
import type { Surface } from '../surface/Surface.ts'
import { ontoPage } from '../things/madeThing.ts'
import { useFormulas } from '../things/useFormulas.ts'
import { useThings } from '../things/useThings.ts'
import { type Tools, toolsFor } from '../tools/useTools.ts'
import { toolKeys, viewKeys } from './pageKeys.ts'
import { pickKeys } from './pickKeys.ts'
import { type Handling, type Seen, useWriting } from './useWriting.ts'

/** Where somebody works: on a page of a copy, with the tools in their hand. */
export interface WorkOn {
  readonly copy: CopyWhole
  readonly store: CopyStore
  readonly person: Person
  readonly page: WorksheetPage
  readonly tools: Tools
  readonly seen: Seen
  /** What may be moved, changed and taken away. Left out: the page is only to be read. */
  readonly mine: ((placed: Placed) => boolean) | undefined
  /** What is recorded or photographed and has not left this device. */
  readonly bytesOf: (name: string) => Blob | undefined
  /** Turns by so many pages. */
  readonly turn: (by: number) => void
  readonly turnToPage: (page: string) => void
  /** What keys do on this screen beside. */
  readonly moreKeys?: KeyGroup | undefined
}

const NONE: ReadonlySet<string> = new Set()
const NOTHING: readonly Placed[] = []
/** What lies at no place of a page, and is given and taken elsewhere. */
const ABOUT_ALL: ReadonlySet<Item['kind']> = new Set(['mark', 'overall', 'reply'])

/** Everything hands do to a page, a student's or a teacher's: write, rub out, pick up, put things down, paste, undo. */
export function useWork(on: WorkOn) {
  const { copy, store, person, page, tools: usual, seen, mine, bytesOf, turn, turnToPage, moreKeys } = on
  const times = timesA4(page)
  const tools = useMemo(() => toolsFor(usual, times), [usual, times])
  const { done, undone } = useStore(store.view, ({ history }) => history)
  const [surface, setSurface] = useState<Surface>()
  const [lifted, setLifted] = useState(false)
  const [large, setLarge] = useState(false)
  const closeLarge = useCallback(() => setLarge(false), [])
  const picking = usePicking(store, page.id, seen.placed, mine, tools, page)
  useKeyedInSight(surface, picking.bounds && boxOfBounds(picking.bounds))
  const things = useThings(store, page.id, picking)
  const { signing, carries } = tools
  /** What may be moved, changed and taken away. */
  const own = useMemo(() => (mine ? seen.placed.filter(mine) : []), [seen.placed, mine])
  const tables = useMemo(() => (own.some(({ item }) => item.kind === 'table') ? own : NOTHING), [own])
  const neat = useNeat(store, page.id, person, seen.items, own)
  const { drew, take: takeNeat } = neat
  const fill = useFill({
    ...{ copy, store, page, placed: seen.placed, mine, bytesOf },
    colour: tools.filling,
  })
  const [instruments] = useState(layInstruments)
  const handling = useMemo<Handling>(
    () => ({
      pickUp: picking.pickUp,
      putDown: (thing, goesOn) => things.putDown(ontoPage(thing, page), goesOn),
      sign: (way) => {
        const made = signAlong(signing, way, page, times, carries[signing] ?? 0)
        store.add(page.id, [{ ...made, id: crypto.randomUUID() }])
      },
      fill,
      edge: instruments.guideAt,
      drew(stroke) {
        drew(stroke)
        if (tables.length === 0) return
        importAgain(() => import('../table/growTable.ts'))
          .then(({ growForInk }) => growForInk(store, page.id, tables, stroke))
          // Out of reach: it stays as large as it is.
          .catch(() => {})
      },
    }),
    [fill, instruments, picking, things, store, page, times, signing, carries, drew, tables],
  )
  const writing = useWriting(store, page.id, seen.placed, tools, mine, handling)
  const middle = useCallback(
    () => surface?.middle() ?? { x: page.width / 2, y: page.height / 3 },
    [surface, page],
  )
  const part = useCallback(
    () => surface?.seenPart() ?? { x: 0, y: 0, width: page.width, height: page.height },
    [surface, page],
  )
  const stripCovers = useCallback((height: number) => surface?.stripCovers(height), [surface])
  const writes = mine !== undefined
  const { done: doneTyping } = things
  // What is being typed when it takes no more is kept as it is.
  useEffect(() => {
    if (!writes) doneTyping()
  }, [writes, doneTyping])
  const closeUp = useCloseUp(page, middle)
  const { look, putting } = tools
  const pasting = useWorkClipboard({
    copy,
    store,
    page,
    placed: seen.placed,
    picking,
    things,
    middle,
    part,
    bytesOf,
    look,
    putting,
  })
  const formulas = useFormulas(picking, things, middle, look.colour)

  /** In the air, or being typed: drawn there and nowhere else. */
  const elsewhere = useMemo(() => {
    const ids = lifted ? picking.items.map(({ id }) => id) : []
    return ids.length === 0 && !things.typing ? NONE : new Set([...ids, things.typing?.id ?? ''])
  }, [lifted, picking.items, things.typing])
  const strokes = useMemo<readonly Stroke[]>(
    () => (elsewhere.size === 0 ? seen.strokes : seen.strokes.filter(({ id }) => !elsewhere.has(id))),
    [seen.strokes, elsewhere],
  )

  const { placed } = seen
  /** What things come to lie on: all that is printed, other things, and the lines of the paper. */
  const lines = useCallback(() => {
    const picked = new Set<Item>(picking.items)
    const things = placed.map(({ item }) => item).filter((item) => isThing(item) && !picked.has(item))
    return snapLines(page, [...page.printed, ...(things as Thing[])].map(seenBox))
  }, [page, placed, picking.items])

  const [only] = picking.items
  const table =
    picking.items.length === 1 && only?.kind === 'table' && only.turn === 0 && !lifted ? only : undefined
  const goTo = useCallback((id: string | undefined) => id && turnToPage(id), [turnToPage])
  const undo = useCallback(() => writes && goTo(store.undo()), [store, goTo, writes])
  const redo = useCallback(() => writes && goTo(store.redo()), [store, goTo, writes])
  useCopyPaste(writes ? pasting : undefined)
  const [keysShown, setKeysShown] = useState(false)
  const keys = useMemo<readonly KeyGroup[]>(() => {
    const help = { keys: ['?'], words: 'these keys', run: () => setKeysShown(true) }
    const view = viewKeys(surface, turn)
    return [
      ...(writes
        ? [pickKeys(picking, tools, pasting.putHere, closeLarge), toolKeys(tools, undo, redo, takeNeat)]
        : []),
      { ...view, acts: [...view.acts, help] },
      ...(moreKeys ? [moreKeys] : []),
    ]
  }, [writes, picking, tools, pasting, closeLarge, undo, redo, takeNeat, surface, turn, moreKeys])
  useKeys(person, keys)

  return {
    person,
    page,
    tools,
    surface,
    setSurface,
    picking,
    things,
    neat,
    writing,
    pasting,
    formulas,
    instruments,
    /** Lays something to draw along where one looks. */
    layInstrument: (kind: Instrument['kind']) => {
      tools.setTool('pen')
      importAgain(() => import('../exact/layNew.ts'))
        .then(({ layNew }) => layNew(instruments, kind, middle(), page.width))
        .catch(sayProblem)
    },
    /** The lines of the table that alone is picked up and lies level. */
    tableLines: table && { table, store, page: page.id, placed: own },
    keys,
    keysShown,
    showKeys: () => setKeysShown(true),
    hideKeys: () => setKeysShown(false),
    elsewhere,
    strokes,
    lines,
    setLifted,
    undo,
    redo,
    canUndo: writes && done.length > 0,
    canRedo: writes && undone.length > 0,
    closeUp,
    /** The part of the page that is seen. */
    seenPart: part,
    bring: (box: Box) => surface?.bring(box),
    stripCovers,
    /** Writing large is open. */
    large: large && writing !== undefined,
    closeLarge,
    toggleLarge() {
      tools.setTool('pen')
      setLarge(!large)
    },
    /** Opens the one thing that is picked, where there is something to write in it. */
    openPicked() {
      const [only] = picking.items
      if (picking.items.length !== 1 || !only) return
      if (only.kind === 'text' || only.kind === 'direction') things.open(only)
      if (only.kind === 'formula') formulas.open(only)
    },
    /** Takes away everything of one's own on this page; marks and words about the whole stay: they lie at no place of it. */
    clear() {
      const own = seen.placed.filter(
        (placed) => mine?.(placed) && placed.author === person.id && !ABOUT_ALL.has(placed.item.kind),
      )
      store.take(
        page.id,
        own.map(({ item }) => item.id),
      )
    },
  }
}

export type Work = ReturnType<typeof useWork>
