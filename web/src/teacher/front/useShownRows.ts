import type { CopyRow, Front } from '@hand-back/core'
import { useMemo } from 'react'

/** The copies that are shown at the front. */
export function useShownRows(rows: readonly CopyRow[], front: Front | null): readonly CopyRow[] {
  return useMemo(() => {
    const shown = front?.what === 'copies' ? front.copies : []
    return rows.filter(({ id }) => shown.some(({ copy }) => copy === id))
  }, [rows, front])
}
