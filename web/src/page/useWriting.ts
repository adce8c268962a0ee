import {
  type InkPoint,
  inSight,
  type Person,
  type Placed,
  packPoints,
  pageOf,
  type Stroke,
  toBase64,
  type VoiceNote,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from './copyStore.ts'
import { isTyping, takesKeys } from './pointers.ts'
import type { Surface, Writing } from './Surface.ts'
import { keepSwatches, keptSwatches, type Swatch } from './swatches.ts'
import type { ToolName } from './tools/tools.ts'

/** The tools in somebody's hand: their swatches, which one writes, or the eraser. */
export function useTools(person: Person, first: readonly Swatch[]) {
  const [swatches, setSwatches] = useState(() => keptSwatches(person.id, first))
  const [active, setActive] = useState(0)
  const [tool, setTool] = useState<ToolName>('pen')
  const pick = useCallback((index: number) => {
    setActive(index)
    setTool('pen')
  }, [])
  const change = useCallback(
    (index: number, swatch: Swatch) =>
      setSwatches((before) => {
        const after = before.map((kept, at) => (at === index ? swatch : kept))
        keepSwatches(person.id, after)
        return after
      }),
    [person.id],
  )
  return { swatches, active, tool, pick, change, setTool, swatch: swatches[active] ?? swatches[0]! }
}

export type Tools = ReturnType<typeof useTools>

/** What of a page is to be seen: its strokes in order, its voice notes. */
export function useSeen(store: CopyStore, page: string, wanted: (placed: Placed) => boolean) {
  const ink = useStore(store.view, ({ log }) => pageOf(log, page))
  return useMemo(() => {
    const seen = inSight(ink).filter(wanted)
    return {
      placed: seen,
      items: seen.map(({ item }) => item),
      strokes: seen.flatMap(({ item }) => (item.kind === 'stroke' ? [item as Stroke] : [])),
      notes: seen.flatMap(({ item, author }) =>
        item.kind === 'voice' ? [{ note: item as VoiceNote, author }] : [],
      ),
    }
  }, [ink, wanted])
}

/** Writing on a page with the tools in hand. `undefined` where nobody may write. */
export function useWriting(
  store: CopyStore,
  page: string,
  placed: readonly Placed[],
  tools: Tools,
  mayTouch: ((placed: Placed) => boolean) | undefined,
): Writing | undefined {
  const { tool, swatch } = tools
  return useMemo(() => {
    if (!mayTouch) return undefined
    const own = new Set(placed.filter(mayTouch).map(({ item }) => item.id))
    return {
      tool,
      swatch,
      keep(points: readonly InkPoint[]) {
        const packed = toBase64(packPoints(points))
        store.add(page, [{ id: crypto.randomUUID(), kind: 'stroke', ...swatch, points: packed }])
      },
      take: (strokes: readonly Stroke[]) =>
        store.take(
          page,
          strokes.map(({ id }) => id),
        ),
      mayTake: (stroke: Stroke) => own.has(stroke.id),
    }
  }, [store, page, placed, tool, swatch, mayTouch])
}

interface KeyActions {
  surface: Surface | undefined
  tools: Tools
  undo: () => void
  redo: () => void
  turn: (by: number) => void
}

/** Everything on a page by keyboard: undo, redo, pages, zoom, tools. */
export function usePageKeys({ surface, tools, undo, redo, turn }: KeyActions): void {
  useEffect(() => {
    const step = 60
    const plain: Record<string, () => void> = {
      PageDown: () => turn(1),
      PageUp: () => turn(-1),
      ArrowUp: () => surface?.panBy(0, step),
      ArrowDown: () => surface?.panBy(0, -step),
      ArrowLeft: () => surface?.panBy(step, 0),
      ArrowRight: () => surface?.panBy(-step, 0),
      '+': () => surface?.zoomBy(1.25),
      '=': () => surface?.zoomBy(1.25),
      '-': () => surface?.zoomBy(0.8),
      '0': () => surface?.fit(),
      e: () => tools.setTool('eraser'),
    }
    const withControl: Record<string, () => void> = { z: undo, y: redo, Z: redo }
    const press = (event: KeyboardEvent) => {
      const control = event.ctrlKey || event.metaKey
      if (control ? isTyping(event.target) : takesKeys(event.target)) return
      const number = Number(event.key)
      const act = control
        ? withControl[event.key]
        : number >= 1 && number <= tools.swatches.length
          ? () => tools.pick(number - 1)
          : plain[event.key]
      if (!act) return
      event.preventDefault()
      act()
    }
    addEventListener('keydown', press)
    return () => removeEventListener('keydown', press)
  }, [surface, tools, undo, redo, turn])
}
