import type { CopyRow, WorksheetPage } from '@hand-back/core'
import { skipToken, useQuery } from '@tanstack/react-query'
import { queries } from '../../api/queries.ts'

const NONE: readonly WorksheetPage[] = []

/** The pages of a hand-out before anybody worked on them, as its first copy has them. */
export function useFrontPages(rows: readonly CopyRow[]): readonly WorksheetPage[] {
  const first = rows[0]?.id
  const asked = queries.copy(first ?? '')
  const copy = useQuery({ ...asked, queryFn: first === undefined ? skipToken : asked.queryFn! })
  return copy.data?.pages ?? NONE
}
