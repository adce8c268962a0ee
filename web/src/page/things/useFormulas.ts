import type { FormulaDrawing, Thing } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { LETTERS } from '../kinds/laidKind.ts'
import type { Picking } from '../picking/usePicking.ts'
import { formulaThing, rewrittenFormula } from './formulaThing.ts'
import type { Things } from './useThings.ts'

/** The formula that is being written, new or one that lies on the page. */
export interface Formulas {
  /** Written now; an empty one is new. */
  readonly writing: { readonly formula?: Thing | undefined } | undefined
  open(formula?: Thing): void
  close(): void
  done(latex: string, drawing: FormulaDrawing): void
}

/** Writing formulas: a new one lands where one looks, another one is drawn anew where it lies. */
export function useFormulas(
  picking: Picking,
  things: Things,
  middle: () => { x: number; y: number },
  colour: string,
): Formulas {
  const [writing, setWriting] = useState<Formulas['writing']>()
  return useMemo(
    () => ({
      writing,
      open: (formula) => setWriting({ formula }),
      close: () => setWriting(undefined),
      done(latex, drawing) {
        const formula = writing?.formula
        if (formula?.kind === 'formula') picking.change(rewrittenFormula(formula, latex, drawing))
        else things.add(formulaThing(latex, drawing, middle(), colour, LETTERS * 1.3))
        setWriting(undefined)
      },
    }),
    [writing, picking, things, middle, colour],
  )
}
