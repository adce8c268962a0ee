import type { WorksheetWhole } from '@hand-back/core'
import { createContext, useContext } from 'react'
import type { SheetKeeper } from './sheetKeeper.ts'
import type { SheetStore } from './sheetStore.ts'

/** What every part of the screen works on. */
export interface PreparingParts {
  readonly worksheet: WorksheetWhole
  readonly store: SheetStore
  readonly keeper: SheetKeeper
}

export const PreparingContext = createContext<PreparingParts | undefined>(undefined)

export function usePreparing(): PreparingParts {
  return useContext(PreparingContext)!
}
