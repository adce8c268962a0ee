import { CALLS, MOST_REMARKS_SENT, type Remark, type RemarkChange, type RemarkKept } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { ask } from '../../api/ask.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { asked } from '../asked.ts'

const NONE: readonly Remark[] = []

/** The teacher's own remarks; none until they are there. */
export const useRemarks = (): readonly Remark[] =>
  useQuery({ ...asked.remarks(), staleTime: Number.POSITIVE_INFINITY }).data ?? NONE

/** The remarks as this screen knows them, until the server has been asked again. */
const change = (to: (before: Remark[]) => Remark[]) =>
  queryClient.setQueryData<Remark[]>(keyOf(CALLS.remarks), (before) => before && to(before))

/** Keeps remarks. Throws `Problem`. */
export async function keepRemarks(remarks: readonly RemarkKept[]): Promise<void> {
  for (let at = 0; at < remarks.length; at += MOST_REMARKS_SENT)
    await ask(CALLS.keepRemarks, {}, { remarks: remarks.slice(at, at + MOST_REMARKS_SENT) as RemarkKept[] })
  await refresh(CALLS.remarks)
}

/** What of a remark is another from now on; what was given stays as it is. Throws `Problem`. */
export async function changeRemark(remark: string, to: RemarkChange): Promise<void> {
  await ask(CALLS.changeRemark, { remark }, to)
  await refresh(CALLS.remarks)
}

/** Counts a use. Without a network it is not counted: the remark itself is on the copy all the same. */
export function countUse(remark: string, question: string | undefined): void {
  change((before) =>
    before.map((each) =>
      each.id === remark
        ? {
            ...each,
            uses: each.uses + 1,
            usesAt: question ? { ...each.usesAt, [question]: (each.usesAt[question] ?? 0) + 1 } : each.usesAt,
          }
        : each,
    ),
  )
  ask(CALLS.remarkUsed, { remark }, { question: question ?? null }).catch(() => {})
}
