import { type Habits, MOST_SWATCHES, type Person, type SignForm, type Swatch } from '@hand-back/core'
import { useCallback, useMemo, useState } from 'react'
import { useHabits } from '../habits/useHabits.ts'
import type { Putting } from '../kinds/index.ts'
import { inkInHand } from '../strip/swatches.ts'
import type { ToolName } from './index.ts'

const NO_MARKS: NonNullable<Habits['signs']> = {}

/** The tools in somebody's hand: their swatches, which one writes, or what else is in hand. */
export function useTools(person: Person, first: readonly Swatch[]) {
  const [habits, change] = useHabits(person.id)
  const swatches = habits.swatches ?? first
  const active = Math.min(habits.active ?? 0, swatches.length - 1)
  const [tool, setTool] = useState<ToolName>('pen')
  const [putting, setPutting] = useState<Putting>('text')
  const [signing, setSigning] = useState<SignForm>('tick')
  const [boxes, setBoxes] = useState(false)
  const [filling, setFilling] = useState<string>()
  const pick = useCallback(
    (index: number) => {
      change({ active: index })
      setTool('pen')
    },
    [change],
  )
  const swatch = swatches[active]!
  const { role } = person
  return useMemo(
    () => ({
      /** What is put on the page beside ink: in the colour in hand; a teacher’s notes in that of feedback. */
      look: { ...inkInHand(swatch, swatches), tone: role === 'teacher' ? 'madder' : 'slate' } as const,
      swatches,
      active,
      swatch,
      tool,
      setTool,
      pick,
      /** How the eraser rubs out. */
      eraser: habits.eraser ?? 'whole',
      /** What is picked up is drawn round with a box instead of a loop. */
      boxes,
      /** By which of its ways a tool works (`Tool.ways`), and another one. */
      way: { eraser: habits.eraser ?? 'whole', boxes: boxes ? 'box' : 'loop' },
      setWay: (setting: 'eraser' | 'boxes', way: string) =>
        setting === 'eraser'
          ? change({ eraser: way === 'exact' ? 'exact' : 'whole' })
          : setBoxes(way === 'box'),
      /** The colour that areas are filled with: of the pen in hand, until another is chosen. */
      filling: filling ?? swatch.colour,
      setFilling,
      /** What the next press puts on the page. */
      putting,
      put: (kind: Putting) => {
        setPutting(kind)
        setTool('put')
      },
      /** The sign that the next press puts on the page, and what each gives where it is put, in hundredths. */
      signing,
      carries: habits.signs ?? NO_MARKS,
      sign: (form: SignForm) => {
        setSigning(form)
        setTool('sign')
      },
      carry: (form: SignForm, hundredths: number) =>
        change({ signs: { ...habits.signs, [form]: hundredths } }),
      change: (index: number, to: Swatch) =>
        change({ swatches: swatches.map((kept, at) => (at === index ? to : kept)) }),
      /** One more swatch, like the one in hand, right after it. */
      another: () =>
        swatches.length < MOST_SWATCHES &&
        change({
          swatches: [...swatches.slice(0, active + 1), swatch, ...swatches.slice(active + 1)],
          active: active + 1,
        }),
      drop: (index: number) =>
        swatches.length > 1 &&
        change({ swatches: swatches.filter((_kept, at) => at !== index), active: Math.max(0, index - 1) }),
      /** A swatch goes one place to the left (−1) or right (1). */
      shift: (index: number, by: -1 | 1) => {
        const to = index + by
        if (to < 0 || to >= swatches.length) return
        const after = [...swatches]
        ;[after[index], after[to]] = [after[to]!, after[index]!]
        change({ swatches: after, active: to })
      },
    }),
    [
      swatches,
      active,
      swatch,
      tool,
      pick,
      habits.eraser,
      habits.signs,
      putting,
      signing,
      boxes,
      filling,
      change,
      role,
    ],
  )
}

export type Tools = ReturnType<typeof useTools>

/** The tools as wide, and things as large, as fits a page (`timesA4`). */
export function toolsFor(tools: Tools, times: number) {
  const { swatch, look } = tools
  return {
    ...tools,
    swatch: { ...swatch, width: swatch.width * times },
    look: { ...look, width: look.width * times, times },
  }
}
export type FittedTools = ReturnType<typeof toolsFor>
