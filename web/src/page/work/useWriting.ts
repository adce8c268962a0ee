import {
  type Guide,
  type InkPoint,
  type Item,
  inLengths,
  inSight,
  isAt,
  type Placed,
  type Point,
  packPoints,
  pageOf,
  type Stroke,
  type Thing,
  toBase64,
  type VoiceNote,
} from '@hand-back/core'
import { useMemo } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from '../copy/copyStore.ts'
import { PUTS } from '../kinds/index.ts'
import { madeThing } from '../things/madeThing.ts'
import type { Rubbed } from '../tools/rubbing.ts'
import type { FittedTools } from '../tools/useTools.ts'
import type { Writing } from '../tools/writing.ts'

/** What of a page is to be seen. */
export interface Seen {
  readonly placed: readonly Placed[]
  readonly items: readonly Item[]
  readonly strokes: readonly Stroke[]
  readonly notes: readonly SeenNote[]
}

/** A voice note, who laid it there, and whether it is feedback. */
export interface SeenNote {
  readonly note: VoiceNote
  readonly author: string
  readonly feedback: boolean
  readonly round: number
}

/** What of a page is to be seen: its strokes in order, its voice notes. */
export function useSeen(store: CopyStore, page: string, wanted: (placed: Placed) => boolean): Seen {
  const ink = useStore(store.view, ({ log }) => pageOf(log, page))
  return useMemo(() => {
    const seen = inSight(ink).filter(wanted)
    return {
      placed: seen,
      items: seen.map(({ item }) => item),
      strokes: seen.flatMap(({ item }) => (item.kind === 'stroke' ? [item as Stroke] : [])),
      notes: seen.flatMap(({ item, author, layer, round }) =>
        item.kind === 'voice'
          ? [{ note: item as VoiceNote, author, feedback: layer === 'feedback', round }]
          : [],
      ),
    }
  }, [ink, wanted])
}

/** What a page does with loops and things put down; left out where nothing is picked up or put down. */
export interface Handling {
  pickUp(loop: readonly Point[], reach: number): void
  /** `goesOn`: the next is put down right after. */
  putDown(thing: Thing, goesOn: boolean): void
  sign(way: readonly Point[]): void
  fill(at: Point): Promise<void>
  /** See `Writing.edge`. */
  edge(at: Point, reach: number): Guide | undefined
  /** A stroke was drawn just now. */
  drew(stroke: Stroke): void
}

/** Writing on a page with the tools in hand. `undefined` where nobody may write. */
export function useWriting(
  store: CopyStore,
  page: string,
  placed: readonly Placed[],
  tools: FittedTools,
  mayTouch: ((placed: Placed) => boolean) | undefined,
  handling?: Handling,
): Writing | undefined {
  const { tool, swatch, look, eraser, putting, boxes } = tools
  const own = useMemo(
    () => new Set(mayTouch ? placed.filter(mayTouch).map(({ item }) => item.id) : []),
    [placed, mayTouch],
  )
  const isLine = PUTS.get(putting)!.isLine === true
  return useMemo(() => {
    if (!mayTouch) return undefined
    // What was drawn along an edge is as neat as it was meant.
    let isNeat = false
    return {
      tool,
      swatch,
      exact: eraser === 'exact',
      boxes,
      mayBegin: (at: Point) => store.mayBegin(page, at),
      edge(at: Point, reach: number) {
        const edge = handling?.edge(at, reach)
        isNeat = edge !== undefined
        return edge
      },
      keep(points: readonly InkPoint[], exact = isNeat) {
        const strokes = inLengths(points).map((part) => ({
          id: crypto.randomUUID(),
          kind: 'stroke' as const,
          ...swatch,
          points: toBase64(packPoints(part)),
        }))
        store.add(page, strokes)
        const [only] = strokes
        if (only && strokes.length === 1 && !exact) handling?.drew(only)
      },
      rubOut({ taken, pieces, way }: Rubbed, reach: number) {
        const signs = placed.filter(
          ({ item }) => item.kind === 'sign' && own.has(item.id) && way.some((at) => isAt(item, at, reach)),
        )
        const whole = signs.map(({ item }) => item.id)
        store.together(() => {
          if (pieces.length > 0)
            store.act(page, { act: 'swap', take: idsOf(taken), bring: [], items: [...pieces] })
          else whole.push(...idsOf(taken))
          if (whole.length > 0) store.take(page, whole)
        })
      },
      mayTake: (stroke: Stroke) => own.has(stroke.id),
      pickUp: (loop: readonly Point[], reach: number) => handling?.pickUp(loop, reach),
      put: (from: Point, to: Point) => handling?.putDown(madeThing(putting, { from, to }, look), isLine),
      sign: (way: readonly Point[]) => handling?.sign(way),
      fill: async (at: Point) => handling?.fill(at),
      puts: isLine ? 'line' : 'box',
    }
  }, [store, page, placed, own, mayTouch, tool, swatch, look, eraser, putting, isLine, boxes, handling])
}

const idsOf = (strokes: readonly Stroke[]) => strokes.map(({ id }) => id)
