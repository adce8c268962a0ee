import {
  type Bounds,
  boundsAround,
  boundsOfItem,
  boxOfBounds,
  canBePicked,
  colourOf,
  fitThing,
  type Handle,
  type Item,
  isThing,
  itemUnder,
  loopOf,
  mm,
  moved,
  type Placed,
  type Point,
  pickedBy,
  resizeItem,
  type Similarity,
  similarity,
  simplify,
  stepBeside,
  type Thing,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { measure } from '../draw/letters.ts'
import { middleOf } from '../holding/grips.ts'
import type { Arranging } from '../holding/LineUp.tsx'
import type { Tools } from '../tools/useTools.ts'

const NONE: ReadonlySet<string> = new Set()
/** How exactly the way of a loop is kept, in points: far finer than a hand draws. */
const LOOP_ERROR = 0.5
/** How far copies lie from what they were made of, in points. */
export const ASIDE = mm(5)

/** What is picked up on a page, and what can be done with it. */
export interface Picking {
  readonly items: readonly Item[]
  readonly bounds: Bounds | undefined
  /** Picked by a loop or a tap. A tap adds what it meets, or lets go of it; on nothing it lets go of all. */
  pickUp(loop: readonly Point[], reach: number): void
  /** Takes the loop in hand with everything, or with these, picked up. */
  pickAll(): void
  pick(ids: readonly string[]): void
  /** The next of one's own in the order they were made (1), or the one before (−1). */
  pickNext(by: 1 | -1): void
  letGo(): void
  move(by: Similarity): void
  nudge(dx: number, dy: number): void
  /** Larger or smaller and turned about its own middle. */
  spin(factor: number, degrees: number): void
  recolour(colour: string): void
  /** Brings each of several to a place of its own. */
  arrange(to: Arranging): void
  duplicate(): void
  /** Brings the things among them to the front or the back of all things. */
  order(to: 'front' | 'back'): void
  take(): void
  /** Changes the one thing that is picked. */
  change(thing: Thing): void
  /** The same by one of its handles, dragged by points. */
  reshape(handle: Handle, dx: number, dy: number): void
}

/** Picking up one's own ink and things on a page. Another page, another tool, or nothing to write on, lets go. */
export function usePicking(
  store: CopyStore,
  page: string,
  placed: readonly Placed[],
  mayTouch: ((placed: Placed) => boolean) | undefined,
  tools: Pick<Tools, 'tool' | 'setTool'>,
  room: { readonly width: number; readonly height: number },
): Picking {
  const { tool, setTool } = tools
  const inHand = tool === 'pick'
  const [picked, setPicked] = useState<{ page: string; ids: ReadonlySet<string> }>({ page, ids: NONE })
  const ids = picked.page === page && inHand ? picked.ids : NONE
  const own = useMemo(
    () =>
      mayTouch
        ? placed.filter((each) => canBePicked(each.item) && mayTouch(each)).map(({ item }) => item)
        : [],
    [placed, mayTouch],
  )
  const items = useMemo(() => own.filter(({ id }) => ids.has(id)), [own, ids])
  const bounds = useMemo(() => boundsAround(items), [items])
  const set = useCallback((to: ReadonlySet<string>) => setPicked({ page, ids: to }), [page])
  /** The loop is in hand only because something was put down or pasted: with that let go, the pen is back. */
  const lent = useRef(false)
  useEffect(() => {
    if (!inHand || !mayTouch) set(NONE)
    if (!inHand) lent.current = false
  }, [inHand, mayTouch, set])

  return useMemo(() => {
    const takeUp = (ids: readonly string[]) => {
      lent.current ||= !inHand
      setTool('pick')
      set(new Set(ids))
    }
    const letGo = () => {
      set(NONE)
      if (inHand && lent.current) setTool('pen')
      lent.current = false
    }
    const now = (ids: ReadonlySet<string>) => (ids.size > 0 ? set(ids) : letGo())
    const all = items.map(({ id }) => id)
    const move = (by: Similarity) => {
      if (bounds && all.length > 0 && staysInReach(bounds, by))
        store.act(page, { act: 'move', items: all, by })
    }
    const change = (changed: Thing) => {
      const thing = fitThing(changed, measure)
      const was = items.find(({ id }) => id === thing.id) as Thing | undefined
      if (was) store.act(page, { act: 'change', item: thing.id, set: { thing }, was: { thing: was } })
    }
    return {
      items,
      bounds,
      pickUp(loop, reach) {
        if (loop.length > 1) {
          const around = loopOf(simplify(loop, LOOP_ERROR))
          now(new Set(pickedBy(own, around).map(({ id }) => id)))
          return
        }
        const under = itemUnder(own, loop[0]!, reach)
        if (!under) return letGo()
        const next = new Set(ids)
        if (!next.delete(under.id)) next.add(under.id)
        now(next)
      },
      pickAll: () => takeUp(own.map(({ id }) => id)),
      pick: takeUp,
      pickNext(by) {
        const last = own.findLastIndex(({ id }) => ids.has(id))
        const from = last < 0 && by < 0 ? 0 : last
        const next = own.at((from + by + own.length) % Math.max(1, own.length))
        if (next) set(new Set([next.id]))
      },
      letGo,
      move,
      nudge: (dx, dy) => move(similarity.translation(dx, dy)),
      spin(factor, degrees) {
        if (bounds) move(similarity.about(middleOf(bounds), factor, degrees))
      },
      recolour(colour) {
        const coloured = items.filter((item) => colourOf(item) !== undefined)
        if (coloured.length === 0) return
        store.act(page, {
          act: 'recolour',
          items: coloured.map(({ id }) => id),
          to: coloured.map(() => colour),
          was: coloured.map((item) => colourOf(item)!),
        })
      },
      arrange(to) {
        const boxes = items.map((item) => ({ id: item.id, ...boxOfBounds(boundsOfItem(item)) }))
        const places = new Map(to(boxes).map((box) => [box.id, box]))
        store.together(() => {
          for (const { id, x, y } of boxes) {
            const { x: toX, y: toY } = places.get(id)!
            if (toX !== x || toY !== y)
              store.act(page, { act: 'move', items: [id], by: similarity.translation(toX - x, toY - y) })
          }
        })
      },
      duplicate() {
        if (!bounds) return
        const step = stepBeside(boxOfBounds(bounds), room)
        const made = items.map((item) => copyOf(item, step.x, step.y))
        store.add(page, made)
        set(new Set(made.map(({ id }) => id)))
      },
      order(to) {
        const things = items.filter(isThing)
        const all = own.filter(isThing).map(({ over = 0 }) => over)
        const over = to === 'front' ? Math.max(0, ...all) + 1 : Math.min(0, ...all) - 1
        store.together(() => {
          for (const thing of things) change({ ...thing, over })
        })
      },
      take() {
        store.take(page, all)
        letGo()
      },
      change,
      reshape(handle, dx, dy) {
        const [only] = items
        if (items.length === 1 && only && isThing(only)) change(resizeItem(only, handle, dx, dy))
      },
    } satisfies Picking
  }, [store, page, items, own, ids, bounds, set, inHand, setTool, room])
}

/** Things may become neither so small nor so large, in points, nor go so far off that nobody finds them again. */
const LEAST = 1
const MOST = 20_000

function staysInReach(bounds: Bounds, by: Similarity): boolean {
  const side = Math.max(bounds.x1 - bounds.x0, bounds.y1 - bounds.y0) * similarity.scaleOf(by)
  const { x, y } = similarity.apply(middleOf(bounds), by)
  return side >= LEAST && side <= MOST && Math.abs(x) <= MOST && Math.abs(y) <= MOST
}

/** The same again under an id of its own, some points aside. */
export function copyOf(item: Item, dx: number, dy: number): Item {
  return { ...moved(item, similarity.translation(dx, dy)), id: crypto.randomUUID() }
}
