import type { WorksheetWhole } from '@hand-back/core'
import { createContext, useContext } from 'react'
import type { SheetKeeper } from './sheetKeeper.ts'
import type { SheetStore } from './sheetStore.ts'

/** What every part of the screen works on. */
export interface PreparingContext {
  readonly worksheet: WorksheetWhole
  readonly store: SheetStore
  readonly keeper: SheetKeeper
}

export const PreparingPlace = createContext<PreparingContext | undefined>(undefined)

export function usePreparing(): PreparingContext {
  return useContext(PreparingPlace)!
}
